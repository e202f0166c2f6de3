<script setup lang="ts">
import { commands } from '@/stages/draw/commands'
import { useKeys } from '@/keys/useKeys'
import { useBench } from '@/stores/bench'
import { onClickOutside } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'

/** What can be done here, and what lies under the pointer. */
const props = defineProps<{ at: { x: number; y: number; under: string[] } }>()
const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const keys = useKeys()
const menu = ref<HTMLElement | null>(null)
onClickOutside(menu, () => emit('close'))
/** Where there is room for all of it: in the window, not in the bench, whose frame would cut it off. */
const place = ref({ left: props.at.x, top: props.at.y })
const before = document.activeElement
// The keys go back to what had them, unless something took them meanwhile.
onBeforeUnmount(() => menu.value?.contains(document.activeElement) && before instanceof HTMLElement && before.isConnected && before.focus({ preventScroll: true }))
onMounted(() => {
  const box = menu.value!.getBoundingClientRect()
  place.value = { left: Math.max(4, Math.min(props.at.x, window.innerWidth - box.width - 4)), top: Math.max(4, Math.min(props.at.y, window.innerHeight - box.height - 4)) }
  // With nothing to press it has the keys itself, so that Esc shuts it.
  ;(menu.value!.querySelector<HTMLElement>('button') ?? menu.value!).focus({ preventScroll: true })
})
const shown = computed(() => commands.filter((one) => one.menu && one.can(bench)))
const under = computed(() => props.at.under.slice(0, 8).map((id) => bench.byId.get(id)).filter((piece) => piece !== undefined))

function key(event: KeyboardEvent) {
  const all = [...(menu.value?.querySelectorAll<HTMLElement>('button') ?? [])]
  const at = all.indexOf(document.activeElement as HTMLElement)
  const next = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: all.length - 1 }[event.key]
  if (event.key === 'Escape') emit('close')
  else if (next === undefined) return
  else all[(next + all.length) % all.length]?.focus()
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <Teleport to="#over">
  <div ref="menu" class="menu" role="menu" tabindex="-1" aria-label="What can be done here" :style="{ left: `${place.left}px`, top: `${place.top}px` }" data-test="menu" @keydown="key" @pointerdown.stop @click.stop @contextmenu.prevent>
    <template v-if="under.length > 1">
      <p>Under the pointer</p>
      <button v-for="piece in under" :key="piece.id" type="button" role="menuitem" :class="{ on: bench.chosen.has(piece.id) }" :data-under="piece.id" @click="bench.choose(piece.id, false, true), $emit('close')">
        <span class="dab" :style="{ background: piece.fill ?? 'transparent', borderColor: piece.stroke?.colour ?? 'var(--line-strong)' }" />{{ piece.called }}
      </button>
      <hr>
    </template>
    <button v-for="one in shown" :key="one.label" type="button" role="menuitem" @click="one.run(bench), $emit('close')"><span>{{ one.label }}</span><kbd v-if="one.act && keys.shown(one.act)">{{ keys.shown(one.act) }}</kbd></button>
    <p v-if="shown.length === 0" class="quiet" role="status">Choose a piece first.</p>
  </div>
  </Teleport>
</template>

<style scoped>
.menu { position: fixed; z-index: 50; width: 216px; max-height: calc(100vh - 8px); overflow-y: auto; background: var(--card); border: 1px solid var(--line-strong); border-radius: 4px; padding: 5px; box-shadow: 0 3px 14px var(--shade); }
p { font-size: 14px; color: var(--ink-mid); padding: 2px 8px; }
button { display: flex; align-items: center; gap: 8px; width: 100%; border: 0; background: none; font: 16px/1.2 var(--text-face); padding: 4px 8px; text-align: left; border-radius: 3px; cursor: pointer; color: var(--ink); }
button span:not(.dab) { flex: 1; }
button:hover, button:focus-visible { background: var(--green-pale); outline: none; }
button.on { color: var(--green); font-weight: 700; }
kbd { font: 13px var(--text-face); color: var(--ink-soft); }
.dab { width: 14px; height: 14px; border-radius: 50%; border: 2px solid; }
hr { border: 0; border-top: 1px solid var(--line); margin: 4px 0; }
</style>

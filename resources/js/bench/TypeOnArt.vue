<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { computed, onMounted, onUnmounted, ref, watchPostEffect } from 'vue'

/** The field in which a text is typed, beside its letters on the art and always in view; what is typed is shown in its letters at once. What is new is made when it is kept, as one change. */
const props = defineProps<{ scale: number; left: number; top: number; width: number; height: number; tools: { tryPath: { value: string | null } } }>()
const bench = useBench()
const tools = props.tools
const draw = useDraw()
const field = ref<HTMLTextAreaElement | null>(null)
/** The text that is changed, or what is new and where. */
const changes = draw.typing
const fresh = draw.opening
const typed = ref(changes ? (bench.byId.get(changes)?.text ?? '') : draw.text.text)
const W = 220
const H = 62
const place = computed(() => {
  const box = bench.byId.get(changes ?? '')?.box ?? (fresh ? [fresh.x, fresh.y, 0, 0] as const : null)
  if (!box) return null
  const under = props.top + (box[1] + box[3]) * props.scale + 10
  const y = under + H < props.height ? under : props.top + box[1] * props.scale - H - 10
  return { left: `${Math.max(4, Math.min(props.width - W - 4, props.left + box[0] * props.scale))}px`, top: `${Math.max(4, Math.min(props.height - H - 4, y))}px` }
})
// Within the press that asked for it: the next key is its own.
onMounted(() => {
  field.value?.focus({ preventScroll: true })
  field.value?.select()
  if (fresh) show()
})
/** While they are typed, the letters as they were step back. */
watchPostEffect((undo) => {
  const drawn = changes ? document.querySelectorAll<SVGElement>(`[data-move="${CSS.escape(changes)}"]`) : []
  for (const element of drawn) element.style.opacity = '0.12'
  undo(() => {
    for (const element of drawn) element.style.opacity = ''
  })
})

const edit = () => (changes ? { kind: 'set-text', pieces: [changes], text: typed.value } : { ...fresh!.edit, text: typed.value })
let over = false
function show() {
  if (typed.value.trim() === '') return void (tools.tryPath.value = null)
  bench.tried(edit()).then((would) => {
    if (!over && would?.pieces[0] && typed.value.trim() !== '') tools.tryPath.value = would.pieces[0].d
  })
}
function end() {
  over = true
  draw.typing = draw.opening = null
}
function leave() {
  end()
  tools.tryPath.value = null
}
async function keep() {
  if (over) return
  end()
  const nothing = typed.value.trim() === '' || (changes && typed.value === bench.byId.get(changes)?.text)
  // What was typed stays to be seen until it is drawn.
  if (!nothing) await bench.draw(edit(), changes === null)
  tools.tryPath.value = null
}
// Away from the bench what was typed is kept, as by a press beside it.
onUnmounted(keep)
function key(event: KeyboardEvent) {
  event.stopPropagation()
  if (event.isComposing) return
  if (event.key === 'Enter' && !event.shiftKey) {
    event.preventDefault()
    keep()
  } else if (event.key === 'Escape') {
    leave()
  }
}
</script>

<template>
  <div v-if="place" class="type" :style="place" @pointerdown.stop @click.stop>
    <textarea ref="field" v-model="typed" rows="2" maxlength="2000" aria-label="The text, as it is typed on the art" data-test="type-on-art" @input="show" @keydown="key" @blur="keep" />
  </div>
</template>

<style scoped>
.type { position: absolute; z-index: 4; width: 220px; }
textarea { width: 100%; height: 62px; resize: none; border: 1.5px solid var(--green); border-radius: 3px; background: var(--sheet); font: 16px/1.3 var(--text-face); padding: 4px 7px; color: var(--ink); outline: none; }
</style>

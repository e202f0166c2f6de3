<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { computed, nextTick, onMounted, ref, watch, watchPostEffect } from 'vue'

/** The field in which a text is typed, beside its letters on the art and always in view; what is typed is shown in its letters at once. */
const props = defineProps<{ scale: number; left: number; top: number; width: number; height: number; tools: { tryPath: { value: string | null } } }>()
const bench = useBench()
const tools = props.tools
const draw = useDraw()
const field = ref<HTMLTextAreaElement | null>(null)
const text = computed(() => (bench.detail?.details.length === 1 && bench.detail.details[0]!.id === draw.typing ? bench.detail.details[0]!.text : null))
const typed = ref('')
const W = 220
const H = 62
const place = computed(() => {
  const box = bench.byId.get(draw.typing ?? '')?.box ?? (draw.opening ? [draw.opening.x, draw.opening.y, draw.opening.x, draw.opening.y] as const : null)
  if (!box) return null
  const under = props.top + (box[1] + box[3]) * props.scale + 10
  const y = under + H < props.height ? under : props.top + box[1] * props.scale - H - 10
  return { left: `${Math.max(4, Math.min(props.width - W - 4, props.left + box[0] * props.scale))}px`, top: `${Math.max(4, Math.min(props.height - H - 4, y))}px` }
})
/** Where the keys went before it opened. */
const before = document.activeElement
/** What was pressed while the letters were on their way is done when they are there. */
let after: 'keep' | 'leave' | null = null
let touched = false
watch(text, async (now) => {
  if (!now) return
  if (!touched) typed.value = now.text
  if (after) return after === 'keep' ? keep() : leave()
  if (touched) return show()
  await nextTick()
  if (take()) field.value?.select()
}, { immediate: true })
// After the press that asked for it, which else takes the keys away again.
onMounted(() => setTimeout(take))
/** The keys are its own, unless somebody has gone on to another field while the letters were on their way. */
function take(): boolean {
  const now = document.activeElement
  if (now !== field.value && now !== before && now instanceof HTMLElement && now.matches('input, textarea, select')) return false
  field.value?.focus()
  return true
}
/** While they are typed, the letters as they were step back. */
const faded = computed(() => draw.typing)
watchPostEffect((undo) => {
  const drawn = document.querySelectorAll<SVGElement>(`[data-move="${CSS.escape(faded.value ?? '')}"]`)
  for (const element of drawn) element.style.opacity = '0.12'
  undo(() => {
    for (const element of drawn) element.style.opacity = ''
  })
})

function input() {
  touched = true
  show()
}
function show() {
  const id = draw.typing
  if (!id || !text.value || typed.value.trim() === '') return
  bench.tried({ kind: 'set-text', pieces: [id], text: typed.value }).then((would) => {
    if (would?.pieces[0] && draw.typing === id) tools.tryPath.value = would.pieces[0].d
  })
}
function leave() {
  tools.tryPath.value = null
  if (!text.value) after = 'leave'
  else draw.typing = null
}
async function keep() {
  if (!text.value) {
    after = 'keep'
    return
  }
  const id = draw.typing
  draw.typing = null
  tools.tryPath.value = null
  if (id && typed.value.trim() !== '' && typed.value !== text.value?.text) await bench.draw({ kind: 'set-text', pieces: [id], text: typed.value })
}
function key(event: KeyboardEvent) {
  event.stopPropagation()
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
    <textarea ref="field" v-model="typed" rows="2" maxlength="2000" aria-label="The text, as it is typed on the art" data-test="type-on-art" @input="input" @keydown="key" @blur="keep" />
  </div>
</template>

<style scoped>
.type { position: absolute; z-index: 4; width: 220px; }
textarea { width: 100%; height: 62px; resize: none; border: 1.5px solid var(--green); border-radius: 3px; background: #fffdf7; font: 16px/1.3 var(--text-face); padding: 4px 7px; color: var(--ink); outline: none; }
</style>

<script setup lang="ts">
import { api, words } from '@/api/client'
import { useBench } from '@/stores/bench'
import { bare, mmPer } from '@/units'
import { digits, pointed } from '@/words/words'
import { ElInput } from 'element-plus'
import { computed, ref, watch } from 'vue'

/** A number that is typed with a unit and plain arithmetic; what was typed goes to the core as it is. */
const FARTHEST = 1e5
const props = defineProps<{ label: string; value: number | null; angle?: boolean; plain?: boolean; name?: string; disabled?: boolean; brief?: boolean; local?: boolean; least?: number; most?: number; typed?: string }>()
const emit = defineEmits<{ keep: [text: string]; measured: [mm: number] }>()
const bench = useBench()
const unit = computed(() => bench.job?.unit ?? 'mm')
// What was typed and is no plain number is shown as it was typed.
const shown = computed(() => (props.typed !== undefined ? props.typed : props.value === null ? '' : props.angle ? digits(Number(props.value.toFixed(3))) : props.plain ? digits(Number(props.value.toFixed(4))) : bare(props.value, unit.value)))
const text = ref(shown.value)
const typing = ref(false)
/** It has the keys: what arrives meanwhile would be typed behind, instead of over what was chosen. */
const held = ref(false)
watch(shown, (next) => {
  if (!typing.value && !held.value) text.value = next
})
function take(event: FocusEvent) {
  held.value = true
  ;(event.target as HTMLInputElement).select()
}

/** What Enter sent already is not sent again when the field is left. */
let sent: string | null = null
function send() {
  sent = text.value
  // A share of something that only the core knows stays as it was typed.
  if (props.local && !text.value.trim().endsWith('%')) measure(text.value)
  else emit('keep', pointed(text.value))
}
/** A length that the page itself works with is read by the core like any other: units and sums count. */
async function measure(typed: string) {
  try {
    // A plain number is in the unit of the job; all else only the core can read, and only it refuses.
    const whole = /^[-+]?\d+(?:[.,]\d+)?$/.test(typed.trim()) ? Number(typed.trim().replace(',', '.')) * mmPer[unit.value]! : null
    const { least = -FARTHEST, most = FARTHEST } = props
    const { mm } = whole !== null && whole >= least && whole <= most ? { mm: whole } : await api.post<{ mm: number }>('length', { text: pointed(typed), unit: unit.value, of: props.value, any: true, label: props.label, least, most })
    emit('measured', mm)
  } catch (refused) {
    bench.problem = words(refused)
  }
  text.value = shown.value
}

function keep() {
  typing.value = false
  held.value = false
  if (text.value.trim() !== '' && text.value !== shown.value && text.value !== sent) send()
  else text.value = shown.value
  sent = null
}
function key(given: Event | KeyboardEvent) {
  const event = given as KeyboardEvent
  if (event.key === 'Enter') {
    if (text.value.trim() !== '') send()
    typing.value = false
    // Back to the bench: what is typed next is not meant for this field.
    ;(event.target as HTMLElement).blur()
  } else if (event.key === 'Escape') {
    text.value = shown.value
    typing.value = false
    ;(event.target as HTMLElement).blur()
  } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
    const value = Number(text.value.replace(',', '.'))
    if (!Number.isFinite(value)) return
    const step = (event.shiftKey ? 10 : 1) * (props.plain && !props.angle && Math.abs(value) <= 1 ? 0.05 : 1) * (event.key === 'ArrowUp' ? 1 : -1)
    text.value = digits(Number((value + step).toFixed(4)))
    send()
    event.preventDefault()
  } else typing.value = true
}
</script>

<template>
  <label :class="['typed', { brief }]">
    <span>{{ label }}</span>
    <ElInput v-model="text" size="small" inputmode="text" autocomplete="off" spellcheck="false" :disabled="disabled || undefined" :data-field="name ?? label" @keydown.stop="key" @focus="take" @blur="keep" />
    <i>{{ angle ? '°' : plain ? '' : unit }}</i>
  </label>
</template>

<style scoped>
.typed { display: grid; grid-template-columns: 1fr 84px 20px; align-items: center; gap: 0 5px; font-size: 15px; line-height: 1.15; min-height: 29px; }
.typed.brief { grid-template-columns: auto minmax(0, 1fr) 18px; }
i { font-style: normal; color: var(--ink-soft); font-size: 13px; }
</style>

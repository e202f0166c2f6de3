import { ref } from 'vue'

/** A press has asked for a field that is not there yet: until it has the keys none of them is a shortcut. */
const expected = ref(false)
let over = 0

const isField = (target: EventTarget | null) => target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]')

/** A press opens a field. It has the keys from now on, at the latest after so many ms: a field that never came must not lock them. */
export function expectField(most = 2500) {
  expected.value = true
  window.clearTimeout(over)
  over = window.setTimeout(() => (expected.value = false), most)
}

// Told once for the page; the tests of plain functions have no window.
if (typeof window !== 'undefined') {
  window.addEventListener('focusin', (event) => {
    if (isField(event.target)) expected.value = false
  })
}

/** Whether a key belongs to what has the focus: all of them to a field that is typed in, those that press it to a button, arrows to a slider. */
export function isTyping(event: KeyboardEvent): boolean {
  if (expected.value) return true
  const target = event.target as HTMLElement | null
  if (!target || typeof target.closest !== 'function') return false
  if (target.closest('[role="dialog"], textarea, select, [contenteditable], [role="combobox"]')) return true
  const input = target.closest('input')
  if (input && !['checkbox', 'radio', 'color', 'range', 'button', 'submit'].includes(input.type)) return true
  if (target.closest('[role="slider"], input[type="range"]')) return event.key.startsWith('Arrow') || event.key === 'Home' || event.key === 'End'
  if (target.closest('button, a, input, summary, [role="switch"], [role="button"]')) return event.key === 'Enter' || event.key === ' '
  return false
}

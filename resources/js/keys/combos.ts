import { t } from '@/words/words'

/** What was pressed, as it is written and compared: "Ctrl Shift Z", "W", "?", "Delete". A sign that is typed with Shift is that sign alone. */
export function comboOf(event: Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'> & { getModifierState?: (name: string) => boolean }): string {
  const third = event.getModifierState?.('AltGraph') ?? false
  const letter = /^Key([A-Z])$/.exec(event.code)?.[1]
  // With Alt some keyboards write another letter: what is printed on the key counts.
  let key = event.altKey && !third && letter ? letter : event.key.length === 1 ? event.key.toUpperCase() : (named[event.key] ?? event.key)
  if (key === ' ') key = 'Space'
  const sign = key.length === 1 && !/[A-Z]/.test(key)
  return [
    ...((event.ctrlKey || event.metaKey) && !third ? ['Ctrl'] : []),
    ...(event.altKey && !third ? ['Alt'] : []),
    ...(event.shiftKey && !sign ? ['Shift'] : []),
    key,
  ].join(' ')
}
const named: Record<string, string> = { Escape: 'Esc', ArrowUp: 'Up', ArrowDown: 'Down', ArrowLeft: 'Left', ArrowRight: 'Right' }

/** As the keys are labelled where the page's language is written. */
export function written(combo: string): string {
  return combo.split(' ').map((key) => t('{key, select, Ctrl {Ctrl} Shift {Shift} Space {Space} Delete {Delete} Up {Up} Down {Down} Left {Left} Right {Right} other {{key}}}', { key })).join(' ')
}

/** Whether it is typed by one sign, without a key that is held: what somebody types by mistake, or speaks, can press it. */
export const isSingle = (combo: string) => combo.length === 1
/** Whether it is a key that only changes others. */
export const isHeld = (key: string) => ['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'CapsLock'].includes(key)

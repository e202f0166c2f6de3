import { lower, t } from '@/words/words'
import { tools } from '@/stores/draw'
import { useMe } from '@/stores/me'
import { useShaping } from '@/stores/shaping'
import { useTold } from '@/stores/told'
import { useEventListener, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, onUnmounted } from 'vue'
import { stages } from '@/stages/stages'
import { keyActs, type KeyAct } from './acts'
import { comboOf, isHeld, isSingle, written } from './combos'
import { isTyping } from './field'

/** Does it, and says nothing; or says why it does nothing; or false when it is nothing of this part of the page. */
export type KeyHandler = (event: KeyboardEvent) => unknown

/** The keys of the bench, as this person has them: which does what, in one list, no two alike. */
export const useKeys = defineStore('keys', () => {
  const shaping = useShaping()
  const all = computed<(KeyAct & { part: 'bench' | 'stages' | 'draw' | 'shape' })[]>(() => [
    ...keyActs.map((act) => ({ ...act, part: 'bench' as const })),
    ...stages.map((stage, index) => ({ name: `stage:${stage.key}`, label: t('enter {label}', { label: stage.label }), usual: `${index + 1}`, changes: stage.changes, part: 'stages' as const })),
    ...tools.map((tool) => ({ name: `tool:${tool.tool}`, label: lower(tool.label), usual: tool.key.toUpperCase(), elsewhere: t('That key works in Draw.'), changes: true, part: 'draw' as const })),
    ...Object.entries(shaping.tools).filter(([, tool]) => tool.key !== '').map(([kind, tool]) => ({ name: `shape:${kind}`, label: lower(tool.label), usual: `Shift ${tool.key.toUpperCase()}`, elsewhere: t('That key works in Draw and Shape.'), changes: true, part: 'shape' as const })),
  ])
  /** What this person changed: the key by the act, '' for none. */
  const own = useLocalStorage<Record<string, string>>('neat-edge-keys', {}, { writeDefaults: false, onError: () => {} })
  /** Whether one sign alone, with nothing held, does anything. */
  const single = useLocalStorage('neat-edge-single-keys', true, { writeDefaults: false, onError: () => {} })
  const of = (act: KeyAct) => own.value[act.name] ?? act.usual
  const byCombo = computed(() => new Map(all.value.filter((act) => of(act) !== '').map((act) => [of(act), act])))
  /** As it is written beside what it does; nothing where it has none. */
  const shown = (name: string) => {
    const act = all.value.find((each) => each.name === name)
    const combo = act ? of(act) : ''
    return isSingle(combo) && !single.value ? '' : written(combo)
  }

  /** A name with its key behind it, as a button is titled. */
  const titled = (title: string, name: string) => (shown(name) ? `${title} (${shown(name)})` : title)

  /** @returns why it cannot be that key, or nothing when it is so now */
  function set(act: KeyAct, combo: string): string {
    const other = byCombo.value.get(combo)
    if (other && other.name !== act.name) return t('{combo} is the key for “{label}”. Choose another, or take that one away first.', { combo: written(combo), label: other.label })
    if (/^(Esc|Enter|Tab|Shift Tab|Space|(Shift )?(Up|Down|Left|Right)|Ctrl [RTWNLPQK]|F\d+)$/.test(combo)) return t('{combo} is kept for the page or the browser. Choose another.', { combo: written(combo) })
    own.value = combo === act.usual ? Object.fromEntries(Object.entries(own.value).filter(([name]) => name !== act.name)) : { ...own.value, [act.name]: combo }
    return ''
  }
  const reset = () => {
    own.value = {}
    single.value = true
  }

  const handlers: Record<string, KeyHandler>[] = []
  function add(map: Record<string, KeyHandler>) {
    handlers.unshift(map)
    return () => void handlers.splice(handlers.indexOf(map), 1)
  }
  /** What the keys that every page has do here: Esc, Enter and the arrows are in no list. */
  const plain: Record<string, KeyHandler>[] = []
  function addPlain(map: Record<string, KeyHandler>) {
    plain.unshift(map)
    return () => void plain.splice(plain.indexOf(map), 1)
  }
  /** The first of those who are asked that does something, or says why not. */
  function first(maps: Record<string, KeyHandler>[], name: string, event: KeyboardEvent): boolean {
    for (const map of [...maps]) {
      const answer = map[name]?.(event)
      if (map[name] === undefined || answer === false) continue
      void Promise.resolve(answer).then((said) => typeof said === 'string' && useTold().tell(said))
      return true
    }
    return false
  }
  /** Does what the key is for, and says so where it does nothing. */
  function press(event: KeyboardEvent) {
    if (event.defaultPrevented || isHeld(event.key) || isTyping(event)) return
    const combo = comboOf(event)
    const bare = combo.replace(/^Shift (?=Up|Down|Left|Right|Enter)/, '')
    if (plain.some((map) => map[bare])) {
      if (first(plain, bare, event)) event.preventDefault()
      return
    }
    const same = { 'Ctrl Y': 'Ctrl Shift Z', 'Backspace': 'Delete', '=': '+', 'ContextMenu': 'Shift F10' }[combo] ?? combo
    const act = byCombo.value.get(same)
    // What is pasted comes with the event of the clipboard.
    if (!act || act.name === 'paste' || (isSingle(same) && !single.value)) return
    event.preventDefault()
    if (isNotYours(act)) return
    if (!first(handlers, act.name, event)) useTold().tell(act.elsewhere ?? t('There is nothing for that key to do here.'))
  }

  /** Says so where somebody may not do it. */
  function isNotYours(act: KeyAct) {
    if (!act.changes || useMe().may.draw) return false
    useTold().tell(t('That is for those who draw to do.'))
    return true
  }

  /** As if its key were pressed. */
  function run(name: string) {
    const act = all.value.find((each) => each.name === name)
    if (act && !isNotYours(act) && !first(handlers, name, new KeyboardEvent('keydown'))) useTold().tell(act.elsewhere ?? t('There is nothing for that to do here.'))
  }

  return { run, all, own, single, of, shown, titled, set, reset, add, addPlain, press }
})

/** Says what keys do while the component that asks is on the page. */
export function useKeyActs(map: Record<string, KeyHandler>) {
  onUnmounted(useKeys().add(map))
}

/** Says what Esc, Enter and the arrows do, Shift or not, while the component that asks is on the page. */
export function usePlainKeys(map: Record<string, KeyHandler>) {
  onUnmounted(useKeys().addPlain(map))
}

/** Listens to the keys; once, by the page that has them. */
export function useKeyListener(map: Record<string, KeyHandler>) {
  const keys = useKeys()
  usePlainKeys(map)
  useEventListener(window, 'keydown', (event: KeyboardEvent) => keys.press(event))
}

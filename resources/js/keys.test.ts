import { keyActs } from '@/keys/acts'
import { comboOf, isSingle } from '@/keys/combos'
import { tools } from '@/stores/draw'
import { describe, expect, it } from 'vitest'

const press = (key: string, code: string, held: { ctrl?: boolean; alt?: boolean; shift?: boolean; meta?: boolean } = {}) =>
  comboOf({ key, code, ctrlKey: held.ctrl ?? false, altKey: held.alt ?? false, shiftKey: held.shift ?? false, metaKey: held.meta ?? false })

describe('the keys', () => {
  const all = [...keyActs, ...tools.map((tool) => ({ name: tool.tool, label: tool.label, usual: tool.key.toUpperCase() })), ...[1, 2, 3, 4, 5, 6, 7].map((n) => ({ name: `stage ${n}`, label: '', usual: `${n}` }))]
  it('are no two alike', () => expect(new Set(all.map((act) => act.usual)).size).toBe(all.length))
  it('want one that is held where they change, remove or take long', () => {
    for (const name of ['prepare', 'repeat', 'repeat-shape', 'cut', 'duplicate', 'ungroup']) expect(isSingle(keyActs.find((act) => act.name === name)!.usual), name).toBe(false)
  })
  it('are written alike however they are pressed', () => {
    expect(press('z', 'KeyZ', { ctrl: true })).toBe('Ctrl Z')
    expect(press('Z', 'KeyZ', { meta: true, shift: true })).toBe('Ctrl Shift Z')
    expect(press('?', 'Minus', { shift: true })).toBe('?')
    expect(press('W', 'KeyW', { shift: true })).toBe('Shift W')
    // With Alt some keyboards write another letter.
    expect(press('®', 'KeyR', { alt: true })).toBe('Alt R')
    expect(press('Escape', 'Escape')).toBe('Esc')
    expect(press(' ', 'Space')).toBe('Space')
  })
})

import { t } from '@/words/words'
import { useKeyActs, useKeyListener, type KeyHandler } from '@/keys/useKeys'
import { commands, cut, paste, take } from '@/stages/draw/commands'
import { stages } from '@/stages/stages'
import { useBench } from '@/stores/bench'
import { tools, useDraw, type Tool } from '@/stores/draw'
import { useLine } from '@/stores/line'
import { useShaping } from '@/stores/shaping'
import { useUnkept } from '@/stores/unkept'
import { nextTick, type Ref } from 'vue'

/** What the keys of the bench do, whichever stage it is; those of the drawing surface are said there. */
export function useBenchKeys(stage: Ref<string>, enter: (stage: string) => void, open: { help: Ref<boolean>; versions: Ref<boolean> }) {
  const bench = useBench()
  const draw = useDraw()
  const shaping = useShaping()
  const line = useLine()
  const unkept = useUnkept()
  /** Draw and Shape are worked in with the same hands. */
  const hands = () => stage.value === 'draw' || stage.value === 'shape'

  /** The next finding of those that are shown: of the chosen group first, then of the one after it. */
  async function stepFinding(by: number) {
    const all = bench.openFindings
    if (all.length === 0) return bench.prepared ? t('No finding is open.') : t('Prepare first: the findings come with it.')
    if (stage.value !== 'check') {
      enter('check')
      await nextTick()
    }
    const own = bench.group === null ? [] : bench.listed(bench.groups[bench.group]!)
    const at = bench.finding === null ? -1 : all.indexOf(bench.finding)
    const first = own.length > 0 ? all.indexOf(by > 0 ? own[0]! : own[own.length - 1]!) : by > 0 ? 0 : all.length - 1
    bench.finding = all[at < 0 ? first : (at + by + all.length) % all.length]!
    return undefined
  }

  /** Chosen nodes go first, then pieces. */
  function remove() {
    if (stage.value === 'draw' && draw.tool === 'nodes' && bench.detail?.details.length === 1) {
      const piece = bench.detail.details[0]!
      if (draw.nodes.size > 0) {
        const nodes = [...draw.nodes].map((name) => name.split(' ').map(Number))
        draw.nodes = new Set()
        return void bench.draw({ kind: 'delete-nodes', piece: piece.id, nodes })
      }
      if (draw.segment) {
        const segments = [draw.segment.split(' ').map(Number)]
        draw.segment = null
        return void bench.draw({ kind: 'delete-segment', piece: piece.id, segments })
      }
    }
    if (bench.chosen.size === 0) return t('Choose what is to go first.')
    return void (stage.value === 'draw' ? bench.draw({ kind: 'remove', pieces: [...bench.chosen] }) : bench.edit({ kind: 'remove', pieces: [...bench.chosen] }))
  }
  /** One thing at a time: out of what is looked at, then of the finding, its group, what is chosen. */
  function escape() {
    if (line.opened) line.close()
    else if (stage.value === 'shape' && shaping.hand) shaping.put()
    else if (bench.view.kind !== 'source') bench.show({ kind: 'source' })
    else if (bench.finding !== null) bench.finding = null
    else if (stage.value === 'check' && bench.group !== null) bench.group = null
    else bench.chooseNone()
  }

  const drawn = (act: (event: KeyboardEvent) => unknown): KeyHandler => (event) => (hands() ? act(event) : false)
  const some = (act: () => unknown): KeyHandler => drawn(() => (bench.chosen.size === 0 ? t('Choose a piece first.') : void act()))
  /** What is done to what is chosen, as the menu does it. */
  const command = (name: string): KeyHandler => drawn(() => {
    const one = commands.find((each) => each.act === name)!
    if (one.can(bench)) return void one.run(bench)
    return bench.chosen.size === 0 ? t('Choose a piece first.') : (one.needs ?? t('“{label}” does nothing to what is chosen.', { label: one.label }))
  })
  const tool = (which: Tool): KeyHandler => () => {
    if (stage.value !== 'draw') return false
    return void draw.use(which)
  }
  /** The tools of shaping, in Draw too; what they are called comes with them. */
  const shape = (kind: string): KeyHandler => drawn(async () => {
    if (stage.value !== 'shape') enter('shape')
    await nextTick()
    await shaping.take(kind)
  })
  const undo = () => {
    if (shaping.hand && shaping.takeBack()) return
    if (!bench.state?.history.canUndo && bench.waiting === 0) return t('There is nothing to undo.')
    return void bench.undo()
  }

  useKeyListener({ 'Esc': escape, 'Enter': () => (stage.value === 'shape' && shaping.hand ? shaping.keep() : false) })
  useKeyActs({
    'prepare': () => (bench.running ? t('It is being prepared.') : void unkept.prepare()),
    'wipe': () => (bench.prepared ? void bench.show({ kind: 'wipe' }) : t('Prepare first: the wipe compares with what came of it.')),
    'source': () => void bench.show({ kind: 'source' }),
    'file': () => (bench.hasFile ? void bench.show({ kind: 'file' }) : t('This job came from no file.')),
    'bare': () => void (bench.wire = !bench.wire),
    'next-finding': () => stepFinding(1),
    'finding-before': () => stepFinding(-1),
    'keys': () => void (open.help.value = true),
    'versions': () => void (open.versions.value = true),
    'remove': remove,
    'choose-all': () => void bench.chooseAll(),
    'undo': undo,
    'redo': () => (bench.state?.history.canRedo || bench.waiting > 0 ? void bench.redo() : t('There is nothing to redo.')),
    'copy': some(() => take(bench)),
    'cut': some(() => cut(bench)),
    'paste-in-place': drawn(() => void paste(bench, true)),
    ...Object.fromEntries(['duplicate', 'group', 'ungroup', 'forward', 'back'].map((name) => [name, command(name)])),
    'repeat': drawn(() => {
      if (bench.chosen.size === 0) return t('Choose a piece first.')
      if (!draw.lastTransform) return t('Nothing was moved, turned or sized yet.')
      return void bench.draw({ kind: 'transform', pieces: [...bench.chosen], matrix: draw.lastTransform, copies: true }, true)
    }),
    'reference': drawn(() => (bench.art?.reference ? void bench.draw({ kind: 'reference', hidden: !bench.art.reference.hidden }) : t('There is no reference picture.'))),
    'snapping': drawn(() => void (draw.snap.on = !draw.snap.on)),
    'repeat-shape': () => (stage.value !== 'shape' ? false : shaping.last === null ? t('Nothing was made with a tool of Shape yet.') : bench.chosen.size === 0 ? t('Choose pieces first.') : void shaping.again()),
    ...Object.fromEntries(stages.map((each) => [`stage:${each.key}`, () => enter(each.key)])),
    ...Object.fromEntries(tools.map((each) => [`tool:${each.tool}`, tool(each.tool)])),
  })
  // Which there are is told by the server.
  useKeyActs(new Proxy({}, { get: (_, name) => (typeof name === 'string' && name.startsWith('shape:') ? shape(name.slice(6)) : undefined) }))
}

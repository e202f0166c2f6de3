import { useBench } from '@/stores/bench'
import { count } from '@/units'
import { defineAsyncComponent, type Component } from 'vue'

export interface Stage {
  key: string
  label: string
  drawer: Component
  /** One short word on how things stand; empty where there is nothing to say. */
  state: (bench: ReturnType<typeof useBench>) => string
  alarming?: (bench: ReturnType<typeof useBench>) => boolean
}

/** The order of the work. A new stage is one drawer and one row here. */
export const stages: Stage[] = [
  { key: 'set-up', label: 'Set up', drawer: defineAsyncComponent(() => import('./SetUp.vue')), state: (b) => (b.job ? `${Math.round(b.job.width)} mm wide` : '') },
  { key: 'draw', label: 'Draw', drawer: defineAsyncComponent(() => import('./Draw.vue')), state: (b) => (b.art ? count(b.art.pieces.length, 'piece') : '') },
  { key: 'shape', label: 'Shape', drawer: defineAsyncComponent(() => import('./Shape.vue')), state: (b) => (b.chosen.size > 0 ? `${b.chosen.size} chosen` : '') },
  { key: 'separate', label: 'Separate', drawer: defineAsyncComponent(() => import('./Separate.vue')), state: (b) => (b.prepared ? count(b.sheets.length, 'colour') : 'not yet') },
  {
    key: 'check',
    label: 'Check',
    drawer: defineAsyncComponent(() => import('./Check.vue')),
    state: (b) => (b.findings.length > 0 ? count(b.findings.length, 'finding') : b.prepared ? 'clear' : 'not yet'),
    alarming: (b) => b.findings.length > 0,
  },
  { key: 'send', label: 'Send', drawer: defineAsyncComponent(() => import('./Send.vue')), state: (b) => (b.prepared ? (b.preparation?.stale ? 'out of date' : b.verdict?.empty ? 'nothing to make' : b.verdict?.ready ? 'ready' : 'not ready') : 'not yet') },
  { key: 'proof', label: 'Proof', drawer: defineAsyncComponent(() => import('./Proof.vue')), state: () => '' },
]

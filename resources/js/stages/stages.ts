import { t } from '@/words/words'
import type { ApprovalStanding } from '@/api/types'
import { useBench } from '@/stores/bench'
import { count } from '@/units'
import { defineAsyncComponent, type Component } from 'vue'

export interface Stage {
  key: string
  label: string
  drawer: Component
  /** One short word on how things stand; empty where there is nothing to say. */
  state: (bench: ReturnType<typeof useBench>) => string
  /** Whether art is changed there and nothing else done. */
  changes?: boolean
  alarming?: (bench: ReturnType<typeof useBench>) => boolean
}

/** Where a job stands with its customer, in a word or two; nothing where nobody was asked. */
export function customerSays(standing: ApprovalStanding | undefined): string {
  return { none: '', waiting: t('shown'), seen: t('seen'), changes: t('change asked'), earlier: t('earlier approved'), approved: t('approved') }[standing ?? 'none']
}

/** Where somebody may go: who changes no art is not led to where it is changed. */
export const stagesFor = (draws: boolean) => stages.filter((stage) => draws || !stage.changes)

/** The order of the work. A new stage is one drawer and one row here. */
export const stages: Stage[] = [
  { key: 'set-up', label: t('Set up'), drawer: defineAsyncComponent(() => import('./SetUp.vue')), state: (b) => (b.job ? t('{width} mm wide', { width: Math.round(b.job.width) }) : '') },
  { key: 'draw', changes: true, label: t('Draw'), drawer: defineAsyncComponent(() => import('./Draw.vue')), state: (b) => (b.art ? count(b.art.pieces.length, 'piece') : '') },
  { key: 'shape', changes: true, label: t('Shape'), drawer: defineAsyncComponent(() => import('./Shape.vue')), state: (b) => (b.chosen.size > 0 ? t('{chosen} chosen', { chosen: b.chosen.size }) : '') },
  { key: 'separate', label: t('Separate'), drawer: defineAsyncComponent(() => import('./Separate.vue')), state: (b) => (b.prepared ? count(b.sheets.length, 'colour') : t('not yet')) },
  {
    key: 'check',
    label: t('Check'),
    drawer: defineAsyncComponent(() => import('./Check.vue')),
    state: (b) => (b.findings.length > 0 ? count(b.findings.length, 'finding') : b.prepared ? t('clear') : t('not yet')),
    alarming: (b) => b.findings.length > 0,
  },
  { key: 'send', label: t('Send'), drawer: defineAsyncComponent(() => import('./Send.vue')), state: (b) => (b.prepared ? (b.preparation?.stale ? t('out of date') : b.verdict?.empty ? t('nothing to make') : b.verdict?.ready ? t('ready') : t('not ready')) : t('not yet')) },
  { key: 'proof', label: t('Proof'), drawer: defineAsyncComponent(() => import('./Proof.vue')), state: (b) => customerSays(b.job?.customerSays), alarming: (b) => b.job?.customerSays === 'changes' || b.job?.customerSays === 'earlier' },
]

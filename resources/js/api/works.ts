import { t } from '@/words/words'
import type { Work as AnyWork } from './types'

export type { WorkState } from './types'

/** Long work of one kind, with what came of it. */
export interface Work<Outcome = Record<string, unknown>> extends Omit<AnyWork, 'outcome'> {
  outcome: Outcome | null
}

export const isOpen = (work: Pick<Work, 'state'> | null | undefined): boolean => work?.state === 'waiting' || work?.state === 'running'

/** How long it still takes, in words; nothing while that cannot be told. */
export const timeLeft = (work: Pick<Work, 'left'> | null | undefined): string => (!work?.left ? '' : work.left < 90 ? t('about {left} s left', { left: work.left }) : t('about {left} min left', { left: Math.round(work.left / 60) }))

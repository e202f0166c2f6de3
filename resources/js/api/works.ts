export type WorkState = 'waiting' | 'running' | 'paused' | 'stopped' | 'done' | 'failed'

/** Long work of any kind, as the server tells of it. */
export interface Work<Outcome = Record<string, unknown>> {
  id: number
  kind: string
  label: string
  title: string
  job: number | null
  state: WorkState
  /** What was asked of it while it runs: stop or pause. */
  asked: string
  done: number
  of: number
  /** Share of it that is done, 0 to 1. */
  share: number
  doing: string
  /** Seconds; null while that cannot be told. */
  left: number | null
  error: string
  outcome: Outcome | null
  pauses: boolean
  goesOn: boolean
  /** When it ended; null while it is open. */
  ended: string | null
}

export const isOpen = (work: Pick<Work, 'state'> | null | undefined): boolean => work?.state === 'waiting' || work?.state === 'running'

/** How long it still takes, in words; nothing while that cannot be told. */
export const timeLeft = (work: Pick<Work, 'left'> | null | undefined): string => (!work?.left ? '' : work.left < 90 ? `about ${work.left} s left` : `about ${Math.round(work.left / 60)} min left`)

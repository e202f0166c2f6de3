import type { ListedJob } from '@/api/types'

export const states = { all: 'all jobs', open: 'not ready', ready: 'ready to send', fresh: 'not prepared', due: 'with a day' } as const
export const orders = { updated: 'last changed', due: 'day wanted', title: 'title', customer: 'customer', findings: 'open findings' } as const
export type JobState = keyof typeof states
export type JobOrder = keyof typeof orders

const passes: Record<JobState, (job: ListedJob) => boolean> = {
  all: () => true,
  open: (job) => !job.ready && job.state !== 'new',
  ready: (job) => job.ready,
  fresh: (job) => job.state === 'new',
  due: (job) => job.due !== null,
}
const text = (a: string, b: string) => (a === '' ? 1 : 0) - (b === '' ? 1 : 0) || a.localeCompare(b, 'en', { sensitivity: 'base', numeric: true })
const compare: Record<JobOrder, (a: ListedJob, b: ListedJob) => number> = {
  updated: (a, b) => b.updated.localeCompare(a.updated),
  due: (a, b) => text(a.due ?? '', b.due ?? ''),
  title: (a, b) => text(a.title, b.title),
  customer: (a, b) => text(a.customer, b.customer),
  findings: (a, b) => b.findings - a.findings,
}

/** Jobs that have all the words somewhere in their title, customer or process, in a state and an order. */
export function sifted(jobs: ListedJob[], search: string, state: JobState, order: JobOrder): ListedJob[] {
  const words = search.toLowerCase().split(/\s+/).filter((word) => word !== '')
  return jobs
    .filter((job) => passes[state](job) && words.every((word) => `${job.title} ${job.customer} ${job.processLabel}`.toLowerCase().includes(word)))
    .sort((a, b) => compare[order](a, b) || b.id - a.id)
}

import { t } from '@/words/words'
export const states = { all: t('all jobs'), open: t('not ready'), ready: t('ready to send'), fresh: t('not prepared'), due: t('with a due day'), archived: t('the archive') } as const
export const orders = { updated: t('last changed'), due: t('due day'), title: 'title', customer: 'customer', findings: t('open findings') } as const
export type JobState = keyof typeof states
export type JobOrder = keyof typeof orders

/** What is asked of the server for a page of the list. */
export function asked(search: string, only: JobState, order: JobOrder, page: number): string {
  const query = new URLSearchParams({ only, order, page: String(page) })
  if (search.trim() !== '') query.set('search', search.trim())
  return `jobs?${query}`
}

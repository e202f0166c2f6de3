export const states = { all: 'all jobs', open: 'not ready', ready: 'ready to send', fresh: 'not prepared', due: 'with a due day', archived: 'the archive' } as const
export const orders = { updated: 'last changed', due: 'due day', title: 'title', customer: 'customer', findings: 'open findings' } as const
export type JobState = keyof typeof states
export type JobOrder = keyof typeof orders

/** What is asked of the server for a page of the list. */
export function asked(search: string, only: JobState, order: JobOrder, page: number): string {
  const query = new URLSearchParams({ only, order, page: String(page) })
  if (search.trim() !== '') query.set('search', search.trim())
  return `jobs?${query}`
}

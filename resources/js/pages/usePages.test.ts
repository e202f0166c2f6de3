import { api } from '@/api/client'
import { expect, it, vi } from 'vitest'
import { usePages } from './usePages'

const page = (ids: number[], last: boolean) => ({ data: ids.map((id) => ({ id })), links: { next: last ? null : 'next' } })

it('a list grows by a page at a time, shows nothing twice, and is as long as before when it is fetched anew', async () => {
  const get = vi.spyOn(api, 'get')
  const list = usePages<{ id: number }>('trash')
  get.mockResolvedValueOnce(page([5, 4], false))
  await list.load()
  expect([list.rows.value.map((one) => one.id), list.more.value]).toEqual([[5, 4], true])
  // One came on top meanwhile, and pushed the last one on to the next page.
  get.mockResolvedValueOnce(page([4, 3], true))
  await list.next()
  expect(get).toHaveBeenLastCalledWith('trash?page=2')
  expect([list.rows.value.map((one) => one.id), list.more.value]).toEqual([[5, 4, 3], false])
  get.mockResolvedValueOnce(page([6, 5], false)).mockResolvedValueOnce(page([4, 3], true))
  await list.load()
  expect([list.rows.value.map((one) => one.id), list.more.value]).toEqual([[6, 5, 4, 3], false])
  // A page that does not come leaves what is there, and is asked for again.
  get.mockRejectedValueOnce(new Error('gone'))
  await expect(list.next()).rejects.toThrow('gone')
  expect(list.rows.value.length).toBe(4)
  get.mockResolvedValueOnce(page([2], true))
  await list.next()
  expect(get).toHaveBeenLastCalledWith('trash?page=3')
})

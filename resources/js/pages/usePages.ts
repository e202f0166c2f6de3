import { api, type Paged } from '@/api/client'
import { shallowRef, ref } from 'vue'

/** A list that comes a page at a time: what was fetched so far, and whether there is more. */
export function usePages<One extends { id: number }>(path: string) {
  const rows = shallowRef<One[]>([])
  const more = ref(false)
  let pages = 1

  async function fetched(number: number): Promise<One[]> {
    const page = await api.get<Paged<One>>(`${path}?page=${number}`)
    more.value = page.links.next !== null
    return page.data
  }
  /** The pages seen so far once more, from the first on: what was changed since may lie on any of them. */
  async function load() {
    let all: One[] = []
    for (let number = 1; number <= pages; number++) {
      all = all.concat(await fetched(number))
      if (!more.value) break
    }
    rows.value = all
  }
  /** One page more. What moved on to it meanwhile is not shown twice. */
  async function next() {
    const page = await fetched(pages + 1)
    pages++
    const known = new Set(rows.value.map((one) => one.id))
    rows.value = [...rows.value, ...page.filter((one) => !known.has(one.id))]
  }
  return { rows, more, load, next }
}

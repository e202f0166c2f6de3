import { api } from '@/api/client'
import type { GuideBook } from '@/api/types'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** What the guide holds: its pages, and all that has a name. */
export const useGuide = defineStore('guide', () => {
  const all = shallowRef<GuideBook>({ pages: [], entries: [] })
  let asked: Promise<void> | null = null
  function load() {
    asked ??= api.get<GuideBook>('guide').then((answer) => void (all.value = answer), () => void (asked = null))
    return asked
  }
  return { all, load }
})

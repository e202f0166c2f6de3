import { api } from '@/api/client'
import type { Choices } from '@/api/types'
import { learn } from '@/findings'
import { defineStore } from 'pinia'
import { ref } from 'vue'

/** What there is to choose from, asked of the server once. */
export const useChoices = defineStore('choices', () => {
  const all = ref<Choices>({ processes: [], steps: [], findings: [], limits: [], shapes: [], repeat: [], soft: [], trace: [], profiles: {}, families: [], endings: [], trashDays: 30 })
  let asked: Promise<void> | null = null

  function load(): Promise<void> {
    asked ??= api.get<Choices>('choices').then(
      (choices) => {
        all.value = choices
        learn(choices.findings)
      },
      (refused) => {
        asked = null
        throw refused
      },
    )
    return asked
  }

  /** Once more: the shop added or took away a font. */
  function reload(): Promise<void> {
    asked = null
    return load()
  }

  return { all, load, reload }
})

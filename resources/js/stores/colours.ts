import { api, words } from '@/api/client'
import { useBench } from '@/stores/bench'
import { defineStore } from 'pinia'
import { ref } from 'vue'

/** What the shop calls its colours: the same in every job. */
export const useColours = defineStore('colours', () => {
  const all = ref<Record<string, string>>({})
  let asked = false

  async function load() {
    if (asked) return
    asked = true
    try {
      all.value = await api.get<Record<string, string>>('colours')
    } catch (refused) {
      asked = false
      useBench().problem = words(refused)
    }
  }
  async function name(hex: string, text: string) {
    if (text.trim() === (all.value[hex] ?? '')) return
    try {
      all.value = await api.put<Record<string, string>>('colours', { hex, name: text })
    } catch (refused) {
      useBench().problem = words(refused)
    }
  }
  const of = (colour: string) => all.value[colour] ?? colour
  /** A sentence with the names of colours instead of their codes. */
  const said = (sentence: string) => sentence.replace(/#[0-9a-f]{6}\b/g, of)

  return { all, load, name, of, said }
})

import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

/** Pictures that are laid under the work, not read as drawings. */
export const isPicture = (file: File) => /^image\/(png|jpeg)$/.test(file.type) || /\.(png|jpe?g)$/i.test(file.name)

/** Whole jobs, as the ticket of a job saves them. */
export const isWholeJob = (file: File) => /\.job(?: ?\(\d+\))?\.zip$/i.test(file.name)

/** Files that came from outside and wait for the page that takes them. */
export const useArrived = defineStore('arrived', () => {
  const files = shallowRef<File[]>([])
  /** Where they were let go, px; null where they were pasted. */
  const at = ref<{ x: number; y: number } | null>(null)
  function come(these: File[], where: { x: number; y: number } | null) {
    at.value = where
    files.value = these
  }
  function take(): File[] {
    const these = files.value
    files.value = []
    return these
  }
  return { files, at, come, take }
})

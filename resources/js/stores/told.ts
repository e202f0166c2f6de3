import { defineStore } from 'pinia'
import { ref } from 'vue'

/** One short sentence that answers a key or a press, where one looks: it goes by itself, and nothing waits for it. */
export const useTold = defineStore('told', () => {
  const text = ref('')
  let over = 0
  function tell(sentence: string, long = 3500) {
    window.clearTimeout(over)
    // Said again, it is heard again.
    text.value = ''
    requestAnimationFrame(() => (text.value = sentence))
    over = window.setTimeout(() => (text.value = ''), long)
  }
  function hush() {
    text.value = ''
  }
  return { text, tell, hush }
})

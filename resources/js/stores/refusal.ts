import { ref, watch, type Ref, type WatchSource } from 'vue'

/** Why something was refused: it is said until what caused it is another. */
export function refusal(...causes: WatchSource[]): Ref<string> {
  const said = ref('')
  watch(causes, () => (said.value = ''), { deep: true })
  return said
}

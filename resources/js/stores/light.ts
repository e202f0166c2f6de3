import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { computed, watchEffect } from 'vue'

export type Light = 'system' | 'day' | 'lamp'

/** By which light the page is seen: as the system has it, by day, or in a dark room. Of this browser. */
export const light = useLocalStorage<Light>('neat-edge-light', 'system', { writeDefaults: false, onError: () => {} })
const dark = usePreferredDark()
export const isLamp = computed(() => light.value === 'lamp' || (light.value === 'system' && dark.value))

/** Shows it, as long as the page is open. */
export function useLight() {
  watchEffect(() => {
    document.documentElement.dataset.light = isLamp.value ? 'lamp' : 'day'
  })
}

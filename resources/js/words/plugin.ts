import type { App } from 'vue'
import { t } from './words'

declare module 'vue' {
  interface ComponentCustomProperties {
    /** A sentence in the language of the page; what a template says in plain words becomes such a call by itself. */
    $t: typeof t
  }
}

export const words = { install: (app: App) => void (app.config.globalProperties.$t = t) }

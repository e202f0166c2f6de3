import '@fontsource-variable/fraunces/index.css'
import '@fontsource/alegreya-sans/400.css'
import '@fontsource/alegreya-sans/500.css'
import '@fontsource/alegreya-sans/700.css'
import '../css/look.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { words } from './words/plugin'
import { language } from './words/words'

const app = createApp(App).use(createPinia()).use(router).use(words)
// What Element Plus says by itself: days, months, closing.
if (language === 'de') {
  void Promise.all([import('element-plus/es/components/config-provider/src/hooks/use-global-config'), import('element-plus/es/locale/lang/de')])
    .then(([{ provideGlobalConfig }, { default: locale }]) => provideGlobalConfig({ locale }, app, true))
}
app.mount('#app')

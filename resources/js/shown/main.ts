import '@fontsource-variable/fraunces/index.css'
import '@fontsource/alegreya-sans/400.css'
import '@fontsource/alegreya-sans/500.css'
import '@fontsource/alegreya-sans/700.css'
import '../../css/look.css'
import { words } from '@/words/plugin'
import { createApp } from 'vue'
import ShownPage from './ShownPage.vue'

/** Who was sent a link sees one proof and no more of the page. */
createApp(ShownPage).use(words).mount('#app')

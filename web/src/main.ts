import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/instrument-sans'
import './style/tokens.css'
import './style/base.css'
import 'element-plus/theme-chalk/base.css'
import './style/element.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { keepForAway } from './away/stale'
import { router } from './router'

// not only when the first words in them are shown, which then would be set twice
for (const font of ['1em "Instrument Sans Variable"', '1em "Bricolage Grotesque Variable"'])
  void document.fonts.load(font)
createApp(App).use(createPinia()).use(router).mount('#app')
keepForAway()

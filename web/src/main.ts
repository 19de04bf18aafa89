import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/instrument-sans'
import './style/tokens.css'
import './style/base.css'
import 'element-plus/theme-chalk/base.css'
import './style/element.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { askEarly } from './api/early'
import App from './App.vue'
import { router } from './router'

askEarly(location.pathname)
createApp(App).use(createPinia()).use(router).mount('#app')

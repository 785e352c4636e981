import '@fontsource/fira-sans/400.css'
import '@fontsource/fira-sans/500.css'
import '@fontsource/fira-mono/400.css'
import '@fontsource/fira-mono/500.css'
import './theme/base.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { z } from 'zod'
import App from './App.vue'
import { router } from './router'

// The page's security policy forbids building code at run time, which the validator would otherwise try.
z.config({ jitless: true })

createApp(App).use(createPinia()).use(router).mount('#app')

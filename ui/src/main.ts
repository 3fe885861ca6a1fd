import './nonce'
import './styles/fonts.css'
import './styles/tokens.css'
import './styles/base.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { queryClient } from './api/queries'
import { loadWords } from './api/words'
import { router } from './router'

// Without the words there is nothing to choose from; away, they are fetched when it is back.
void loadWords()
  .catch(() => undefined)
  .then(() => createApp(App).use(createPinia()).use(VueQueryPlugin, { queryClient }).use(router).mount('#app'))

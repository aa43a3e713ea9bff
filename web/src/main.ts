import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import { whenUnauthorised } from './api/client'
import App from './App.vue'
import { router } from './router'
import { useSession } from './session/useSession'
import { preset } from './theme/preset'
import { applyShade } from './theme/shade'
import 'primeicons/primeicons.css'
import './theme/faces.css'
import './theme/shell.css'

applyShade()
const pinia = createPinia()
whenUnauthorised(() => {
  useSession(pinia).ended()
  if (router.currentRoute.value.name === 'sign-in') {
    // Several calls may be refused at once; the first has said where to go on.
    return
  }
  void router.push({ name: 'sign-in', query: { next: router.currentRoute.value.fullPath } })
})
createApp(App)
  .use(pinia)
  .use(router)
  // Weeks begin on Monday, as ISO 8601 has them.
  .use(PrimeVue, {
    theme: { preset, options: { darkModeSelector: '.dark' } },
    locale: { firstDayOfWeek: 1 },
  })
  .mount('#app')

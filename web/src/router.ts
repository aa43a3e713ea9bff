import { createRouter, createWebHistory } from 'vue-router'
import { useSession } from './session/useSession'
import { words } from './words'

/** Addresses of the screens; report, answers and page stand in the address, so that it can be shared. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/reports' },
    { path: '/sign-in', name: 'sign-in', component: () => import('./session/SignInScreen.vue') },
    { path: '/set-up', name: 'set-up', component: () => import('./session/SetUpScreen.vue') },
    { path: '/password', name: 'password', component: () => import('./session/PasswordScreen.vue') },
    { path: '/reports', name: 'library', component: () => import('./library/LibraryScreen.vue') },
    { path: '/reports/:id', name: 'run', component: () => import('./run/RunScreen.vue'), props: true },
    { path: '/bench/:id', name: 'bench', component: () => import('./bench/BenchScreen.vue'), props: true },
    {
      path: '/styles/:id?',
      name: 'styles',
      component: () => import('./styles/StylesScreen.vue'),
      props: true,
    },
    { path: '/data/:id?', name: 'data', component: () => import('./data/DataScreen.vue'), props: true },
    {
      path: '/compose/:id?',
      name: 'compose',
      component: () => import('./data/modelling/ComposeScreen.vue'),
      props: true,
    },
    {
      path: '/sources/:id?',
      name: 'sources',
      component: () => import('./sources/SourcesScreen.vue'),
      props: true,
    },
    {
      path: '/not-for-you/:reason(forAuthors|forAdministrators)',
      name: 'not-for-you',
      component: () => import('./shell/MissingScreen.vue'),
      props: true,
    },
    {
      path: '/:unknown(.*)*',
      name: 'unknown',
      component: () => import('./shell/MissingScreen.vue'),
      props: { reason: 'unknown' },
    },
  ],
})

/** Screens that those without an account can see. */
const OPEN = ['sign-in', 'set-up']
const FOR_AUTHORS = ['data', 'bench', 'compose', 'styles']

router.beforeEach(async (to) => {
  const session = useSession()
  await session.load()
  const name = String(to.name)
  if (session.person === undefined) {
    return OPEN.includes(name) ? true : { name: 'sign-in', query: { next: to.fullPath } }
  }
  if (OPEN.includes(name)) {
    return { name: 'library' }
  }
  const { role } = session.person
  if (FOR_AUTHORS.includes(name) && role === 'READER') {
    const report = name === 'bench' ? String(to.params.id) : undefined
    return { name: 'not-for-you', params: { reason: 'forAuthors' }, query: { report } }
  }
  if (name === 'sources' && role !== 'ADMINISTRATOR') {
    return { name: 'not-for-you', params: { reason: 'forAdministrators' } }
  }
})

const TITLES: Record<string, string> = {
  'sign-in': words.signIn.title,
  'set-up': words.setUp.title,
  password: words.password.title,
  library: words.library.title,
  data: words.bar.dataScreen,
  compose: words.bar.dataScreen,
  sources: words.bar.sources,
  styles: words.styles.title,
}

router.afterEach((to) => {
  const title = TITLES[String(to.name)]
  document.title = title ? `${title} · Grammatus` : 'Grammatus'
})

import { createRouter, createWebHistory } from 'vue-router'
import { useSession } from './session/useSession'
import { words } from './words'

/** Addresses of the screens; report, answers and page stand in the address, so that it can be shared. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/reports' },
    { path: '/sign-in', name: 'sign-in', component: () => import('./session/SignInScreen.vue') },
    { path: '/reports', name: 'library', component: () => import('./library/LibraryScreen.vue') },
    { path: '/reports/:id', name: 'run', component: () => import('./run/RunScreen.vue'), props: true },
    { path: '/bench/:id', name: 'bench', component: () => import('./bench/BenchScreen.vue'), props: true },
    { path: '/data/:id?', name: 'data', component: () => import('./data/DataScreen.vue'), props: true },
    {
      path: '/compose/:id?',
      name: 'compose',
      component: () => import('./data/compose/ComposeScreen.vue'),
      props: true,
    },
    {
      path: '/sources/:id?',
      name: 'sources',
      component: () => import('./sources/SourcesScreen.vue'),
      props: true,
    },
    { path: '/:unknown(.*)*', redirect: '/reports' },
  ],
})

router.beforeEach(async (to) => {
  const session = useSession()
  await session.load()
  if (to.name !== 'sign-in' && session.person === undefined) {
    return { name: 'sign-in', query: { next: to.fullPath } }
  }
  const role = session.person?.role
  const forAuthors = to.name === 'data' || to.name === 'bench' || to.name === 'compose'
  if ((forAuthors && role === 'READER') || (to.name === 'sources' && role !== 'ADMINISTRATOR')) {
    return { name: 'library' }
  }
  if (to.name === 'sign-in' && session.person !== undefined) {
    return { name: 'library' }
  }
})

router.afterEach((to) => {
  document.title = to.name === 'sign-in' ? `${words.signIn.title} · Grammatus` : 'Grammatus'
})

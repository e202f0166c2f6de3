import { t } from '@/words/words'
import { nextTick } from 'vue'
import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'jobs', component: () => import('./pages/JobList.vue'), meta: { title: t('Jobs') } },
    { path: '/new', name: 'new-job', component: () => import('./pages/NewJob.vue'), meta: { title: t('New job') } },
    { path: '/jobs/:id(\\d+)/:stage?', name: 'bench', component: () => import('./pages/Bench.vue'), props: true, meta: { title: t('Bench') } },
    { path: '/presets', name: 'presets', component: () => import('./pages/Presets.vue'), meta: { title: t('Presets') } },
    { path: '/stock', name: 'stock', component: () => import('./pages/Stock.vue'), meta: { title: t('Shop stock') } },
    { path: '/batches/:id(\\d+)?', name: 'batches', component: () => import('./pages/Batches.vue'), props: true, meta: { title: t('Batches') } },
    { path: '/settings', name: 'settings', component: () => import('./pages/Settings.vue'), meta: { title: t('Settings') } },
    { path: '/sign-in', name: 'sign-in', component: () => import('./pages/SignIn.vue'), meta: { title: t('Sign in') } },
    { path: '/password/:token([0-9a-f]+)', name: 'password', component: () => import('./pages/ChoosePassword.vue'), props: true, meta: { title: t('Choose a password') } },
    { path: '/today', name: 'today', component: () => import('./pages/Today.vue'), meta: { title: t('To do') } },
    { path: '/customers', name: 'customers', component: () => import('./pages/Customers.vue'), meta: { title: t('Customers') } },
    { path: '/customers/:id(\\d+)', name: 'customer', component: () => import('./pages/Customer.vue'), props: true, meta: { title: t('Customer') } },
    { path: '/people', name: 'people', component: () => import('./pages/People.vue'), meta: { title: t('People') } },
    { path: '/account', name: 'account', component: () => import('./pages/Account.vue'), meta: { title: t('Your account') } },
    { path: '/mailbox', name: 'mailbox', component: () => import('./pages/Mailbox.vue'), meta: { title: t('Mailbox') } },
    { path: '/guide/:page([a-z-]+)?', name: 'guide', component: () => import('./pages/GuidePage.vue'), props: true, meta: { title: t('Guide') } },
    { path: '/:any(.*)*', name: 'lost', component: () => import('./pages/Lost.vue'), meta: { title: t('Not here') } },
  ],
})

router.afterEach((to, from) => {
  // Who hears the page is taken along to the new one; the stages of a bench are one page.
  if (from.matched.length > 0 && to.name !== from.name) void nextTick(() => requestAnimationFrame(() => document.getElementById('work')?.focus({ preventScroll: true })))
  document.title = `${String(to.meta.title ?? '')} · Neat Edge`
})

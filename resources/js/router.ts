import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'jobs', component: () => import('./pages/JobList.vue'), meta: { title: 'Jobs' } },
    { path: '/new', name: 'new-job', component: () => import('./pages/NewJob.vue'), meta: { title: 'New job' } },
    { path: '/jobs/:id(\\d+)/:stage?', name: 'bench', component: () => import('./pages/Bench.vue'), props: true, meta: { title: 'Bench' } },
    { path: '/presets', name: 'presets', component: () => import('./pages/Presets.vue'), meta: { title: 'Presets' } },
    { path: '/stock', name: 'stock', component: () => import('./pages/Stock.vue'), meta: { title: 'Shop stock' } },
    { path: '/batches/:id(\\d+)?', name: 'batches', component: () => import('./pages/Batches.vue'), props: true, meta: { title: 'Batches' } },
    { path: '/:any(.*)*', name: 'lost', component: () => import('./pages/Lost.vue'), meta: { title: 'Not here' } },
  ],
})

router.afterEach((to) => {
  document.title = `${String(to.meta.title ?? '')} · Neat Edge`
})

import { createRouter, createWebHistory } from 'vue-router'

const here = 'warmanvil.here'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: () => localStorage.getItem(here) ?? '/jobs' },
    { path: '/jobs', component: () => import('./jobs/JobList.vue') },
    { path: '/jobs/:job/measure/:sheet?', component: () => import('./benches/measure/MeasureBench.vue'), props: true },
    { path: '/jobs/:job/shape/frame/:frame?/:sheet?', component: () => import('./benches/frames/FrameBench.vue'), props: true },
    { path: '/jobs/:job/shape/body/:body?', component: () => import('./benches/bodies/BodyBench.vue'), props: true },
    { path: '/jobs/:job/shape/new', component: () => import('./benches/start/StartPart.vue'), props: true },
    { path: '/jobs/:job/shape/:part?', component: () => import('./benches/shape/ShapeBench.vue'), props: true },
    { path: '/jobs/:job/hold', component: () => import('./benches/hold/HoldBench.vue'), props: true },
    { path: '/jobs/:job/make', component: () => import('./benches/make/MakeBench.vue'), props: true },
    { path: '/sign-in', component: () => import('./door/DoorPage.vue'), props: { way: 'sign-in' }, meta: { open: true } },
    { path: '/join', component: () => import('./door/DoorPage.vue'), props: { way: 'join' }, meta: { open: true } },
    { path: '/pair', component: () => import('./door/DoorPage.vue'), props: { way: 'pair' }, meta: { open: true } },
    { path: '/people', component: () => import('./door/PeoplePage.vue') },
    { path: '/shop/stock', component: () => import('./shop/StockPage.vue') },
    { path: '/shop', component: () => import('./shop/ShopPage.vue') },
    { path: '/quick/:calc?', component: () => import('./quick/QuickPage.vue'), props: true },
    { path: '/:rest(.*)*', component: () => import('./jobs/NotHere.vue') },
  ],
})

// The program opens where it was left.
router.afterEach((to) => {
  if (to.matched.length && !to.meta.open && !to.path.startsWith('/:')) localStorage.setItem(here, to.fullPath)
})

import { createRouter, createWebHistory } from 'vue-router'
import JobsView from './views/JobsView.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'jobs', component: JobsView, meta: { title: 'Jobs' } },
    {
      path: '/jobs/:id',
      component: () => import('./views/JobView.vue'),
      redirect: { name: 'brief' },
      children: [
        {
          path: 'brief',
          name: 'brief',
          component: () => import('./views/BriefView.vue'),
          meta: { title: 'Brief' },
        },
        {
          path: 'pick',
          name: 'pick',
          component: () => import('./views/PickView.vue'),
          meta: { title: 'Pick' },
        },
        {
          path: 'amounts',
          name: 'amounts',
          component: () => import('./views/AmountsView.vue'),
          meta: { title: 'Amounts' },
        },
        {
          path: 'quote',
          name: 'quote',
          component: () => import('./views/QuoteView.vue'),
          meta: { title: 'Quote' },
        },
        { path: 'lay', name: 'lay', component: () => import('./views/LayView.vue'), meta: { title: 'Lay' } },
        {
          path: 'prep',
          name: 'prep',
          component: () => import('./views/PrepView.vue'),
          meta: { title: 'Prep' },
        },
        {
          path: 'serve',
          name: 'serve',
          component: () => import('./views/ServeView.vue'),
          meta: { title: 'Serve' },
        },
        {
          path: 'look-back',
          name: 'look-back',
          component: () => import('./views/LookBackView.vue'),
          meta: { title: 'Look back' },
        },
      ],
    },
    {
      path: '/jobs/:id/counter',
      name: 'counter',
      component: () => import('./views/CounterView.vue'),
      meta: { title: 'At the counter' },
    },
    {
      path: '/jobs/:id/weigh',
      name: 'weigh',
      component: () => import('./views/WeighView.vue'),
      meta: { title: 'Weigh out' },
    },
    {
      path: '/days/:date',
      name: 'day',
      component: () => import('./views/DayView.vue'),
      meta: { title: 'The day' },
    },
    {
      path: '/shopping',
      name: 'shopping',
      component: () => import('./views/ShoppingView.vue'),
      meta: { title: 'Shopping' },
    },
    {
      path: '/larder',
      name: 'larder',
      component: () => import('./views/LarderView.vue'),
      meta: { title: 'Larder' },
    },
    {
      path: '/larder/:id',
      name: 'food',
      component: () => import('./views/FoodView.vue'),
      meta: { title: 'A food' },
    },
    {
      path: '/boards',
      name: 'boards',
      component: () => import('./views/BoardsView.vue'),
      meta: { title: 'Boards & bowls' },
    },
    {
      path: '/logbook',
      name: 'logbook',
      component: () => import('./views/LogbookView.vue'),
      meta: { title: 'Logbook' },
    },
    {
      path: '/shelf',
      name: 'shelf',
      component: () => import('./views/ShelfView.vue'),
      meta: { title: 'Shelf' },
    },
    {
      path: '/practice',
      name: 'practice',
      component: () => import('./views/PracticeView.vue'),
      meta: { title: 'Practice' },
    },
    {
      path: '/devices',
      name: 'devices',
      component: () => import('./views/DevicesView.vue'),
      meta: { title: 'Devices' },
    },
    {
      path: '/settings',
      name: 'settings',
      component: () => import('./views/SettingsView.vue'),
      meta: { title: 'Settings' },
    },
    {
      path: '/:other(.*)*',
      name: 'lost',
      component: () => import('./views/LostView.vue'),
      meta: { title: 'Nothing here' },
    },
  ],
})

router.afterEach(to => {
  document.title = `${to.meta.title ?? ''} · Happy Tray`
})

import { createRouter, createWebHistory } from 'vue-router';
import JobsPage from './jobs/JobsPage.vue';
import { stages } from './stages.ts';
import { useOpening } from './stores/opening.ts';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'jobs', component: JobsPage },
    { path: '/styles', name: 'styles', component: () => import('./styles/StylesPage.vue') },
    { path: '/new', name: 'intake', component: () => import('./intake/IntakePage.vue') },
    {
      path: '/jobs/:job',
      component: () => import('./frame/JobFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: { name: 'words' } },
        ...Object.entries(stages).map(([name, component]) => ({ path: name, name, component })),
      ],
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});

router.beforeEach((to, from) => {
  const { job } = to.params;
  if (typeof job === 'string' && job !== from.params['job']) useOpening().begin(job);
});

import { createRouter, createWebHistory } from 'vue-router';
import JobsPage from '../pages/jobs/JobsPage.vue';
import { stagePieces } from '../stages/pieces.ts';
import { stages } from '../stages/stages.ts';
import { useOpening } from '../data/jobs/opening.ts';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'jobs', component: JobsPage },
    { path: '/styles', name: 'styles', component: () => import('../pages/styles/StylesPage.vue') },
    { path: '/new', name: 'intake', component: () => import('../pages/new-job/IntakePage.vue') },
    {
      path: '/jobs/:job',
      component: () => import('./frame/JobFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: { name: 'words' } },
        ...stages.map(({ name }) => ({ path: name, name, component: stagePieces[name] })),
      ],
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});

router.beforeEach((to, from) => {
  const { job } = to.params;
  if (typeof job === 'string' && job !== from.params['job']) useOpening().begin(job);
});

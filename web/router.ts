import { createRouter, createWebHistory } from 'vue-router';
import JobsPage from './jobs/JobsPage.vue';

/** Stages come in pieces of their own, so that the first page stays light. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'jobs', component: JobsPage },
    { path: '/new', name: 'intake', component: () => import('./intake/IntakePage.vue') },
    {
      path: '/jobs/:job',
      component: () => import('./frame/JobFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: { name: 'words' } },
        { path: 'words', name: 'words', component: () => import('./words/WordsStage.vue') },
        { path: 'tape', name: 'tape', component: () => import('./tape/TapeStage.vue') },
        { path: 'checks', name: 'checks', component: () => import('./checks/ChecksStage.vue') },
        { path: 'tracks', name: 'tracks', component: () => import('./tracks/TracksStage.vue') },
        { path: 'handover', name: 'handover', component: () => import('./handover/HandoverStage.vue') },
      ],
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});

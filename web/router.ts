import { createRouter, createWebHistory } from 'vue-router';
import JobsPage from './jobs/JobsPage.vue';

const stages = {
  words: () => import('./words/WordsStage.vue'),
  tape: () => import('./tape/TapeStage.vue'),
  checks: () => import('./checks/ChecksStage.vue'),
  tracks: () => import('./tracks/TracksStage.vue'),
  handover: () => import('./handover/HandoverStage.vue'),
} as const;

/** Fetches every stage once a job is open, so that all of them work while the server is away. */
export function fetchStages(): void {
  for (const fetchStage of Object.values(stages)) {
    // A stage that cannot be fetched now is fetched when it is gone to.
    fetchStage().catch(() => undefined);
  }
}

/** Stages come in pieces of their own, so that the first page stays light. */
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

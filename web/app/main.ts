import '../ui/nonce.ts';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-next/wght-italic.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '../ui/theme/tokens.css';
import '../ui/theme/layout.css';
import '../ui/theme/controls.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { whenIdle } from '../ui/idle.ts';
import { early, earlyJobs } from './early.ts';
import { router } from './router.ts';
import { useJobList } from '../data/jobs/job-list.ts';
import { useLeftChanges } from '../data/tracks/left-changes.ts';
import { useOpening } from '../data/jobs/opening.ts';

const pinia = createPinia();
if (early) useOpening(pinia).adopt(early);
if (earlyJobs) useJobList(pinia).adopt(earlyJobs);
createApp(App).use(pinia).use(router).mount('#app');
// Work that an earlier page could not deliver goes on its way, whichever page is opened first, once it is there. The list
// of jobs looks for it by itself.
if (!earlyJobs)
  whenIdle(
    () =>
      void useLeftChanges(pinia)
        .look()
        .catch(() => undefined),
    1000,
  );

import '../nonce.ts';
import '../theme/tokens.css';
import '../theme/layout.css';
import '../theme/controls.css';
import { createApp, h, ref } from 'vue';
import { createRouter, createWebHistory } from 'vue-router';
import ThemedPage from '../theme/ThemedPage.vue';
import type { Theme } from '../theme/choice.ts';
import ControlsPage from './ControlsPage.vue';

const router = createRouter({
  history: createWebHistory(),
  routes: [{ path: '/:rest(.*)*', name: 'jobs', component: ControlsPage }],
});
const theme = ref<Theme>(new URLSearchParams(location.search).get('theme') === 'dark' ? 'dark' : 'light');
createApp(() =>
  h(
    ThemedPage,
    { modelValue: theme.value, 'onUpdate:modelValue': (now: Theme) => (theme.value = now) },
    { default: () => h(ControlsPage) },
  ),
)
  .use(router)
  .mount('#app');

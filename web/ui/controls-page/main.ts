import '../nonce.ts';
import '../theme/tokens.css';
import '../theme/layout.css';
import '../theme/controls.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { createRouter, createWebHistory } from 'vue-router';
import ControlsPage from './ControlsPage.vue';

const router = createRouter({
  history: createWebHistory(),
  routes: [{ path: '/:rest(.*)*', name: 'jobs', component: ControlsPage }],
});
createApp(ControlsPage).use(createPinia()).use(router).mount('#app');

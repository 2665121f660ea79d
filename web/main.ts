import './nonce.ts';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-next/wght-italic.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import './theme/tokens.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router.ts';

createApp(App).use(createPinia()).use(router).mount('#app');
// Work that an earlier page could not deliver goes on its way, whichever page is opened first.
void import('./stores/track.ts').then(({ useTrack }) => useTrack().deliverLeft()).catch(() => undefined);

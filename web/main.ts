import './nonce.ts';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-next/wght-italic.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import './theme/tokens.css';
import './theme/layout.css';
import './theme/controls.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { early } from './early.ts';
import { router } from './router.ts';
import { useOpening } from './stores/opening.ts';

const pinia = createPinia();
if (early) useOpening(pinia).adopt(early);
createApp(App).use(pinia).use(router).mount('#app');
// Work that an earlier page could not deliver goes on its way, whichever page is opened first.
void import('./stores/track.ts').then(({ useTrack }) => useTrack().deliverLeft()).catch(() => undefined);

// @ts-check
/** Builds the page that shows every control into a folder, for the browser tests of `web/ui/controls`. */
import vue from '@vitejs/plugin-vue';
import { join, resolve } from 'node:path';
import { build } from 'vite';
import { root } from './setup.mjs';

const [folder] = process.argv.slice(2);
if (!folder) throw new Error('Name the folder to build into.');
await build({
  root: join(root, 'web/ui/controls-page'),
  configFile: false,
  publicDir: join(root, 'web/public'),
  logLevel: 'warn',
  plugins: [vue()],
  html: { cspNonce: '%NONCE%' },
  build: { outDir: resolve(folder), emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 2000 },
});

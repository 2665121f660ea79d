import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { modelsAt } from './scripts/models-at.mjs';
import { defineConfig, type Plugin } from 'vite';

/** Puts the small first piece before everything else in the built page. */
const earlyFirst: Plugin = {
  name: 'early-first',
  transformIndexHtml: {
    order: 'post',
    handler(_, { bundle = {} }) {
      const early = Object.values(bundle).find((c) => c.type === 'chunk' && c.facadeModuleId?.endsWith('/early.ts'));
      const attrs = { type: 'module', src: `/${early?.fileName ?? ''}`, crossorigin: true, nonce: '%NONCE%' };
      return early ? [{ tag: 'script', attrs, injectTo: 'head-prepend' }] : [];
    },
  },
};

/** The pronouncing dictionary as JSON in a string: 130,000 properties of a literal take a browser five times as long to read. */
const dictionaryAsJson: Plugin = {
  name: 'dictionary-as-json',
  async transform(_, id) {
    if (!id.endsWith('/cmu-pronouncing-dictionary/index.js')) return null;
    const { dictionary } = await import('cmu-pronouncing-dictionary');
    return `export const dictionary = JSON.parse(${JSON.stringify(JSON.stringify(dictionary))});`;
  },
};

export default defineConfig({
  plugins: [vue(), earlyFirst],
  worker: { format: 'es', plugins: () => [dictionaryAsJson] },
  define: { __MODELS_AT__: JSON.stringify(modelsAt) },
  // What the recogniser brings for browsers of long ago is left out.
  resolve: {
    alias: { 'blob-polyfill': fileURLToPath(new URL('web/move-times/listen-and-place/blob.ts', import.meta.url)) },
  },
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    target: 'es2022',
    reportCompressedSize: false,
    chunkSizeWarningLimit: 800,
    modulePreload: { polyfill: false },
    rolldownOptions: { input: ['web/index.html', 'web/app/early.ts'] },
  },
  html: { cspNonce: '%NONCE%' },
});

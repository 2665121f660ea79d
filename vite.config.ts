import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { dictionaryText } from './core/audio/phones/dictionary-text.ts';
import { modelsAt } from './scripts/models-at.mjs';
import { pieceGroups } from './scripts/page-pieces.mjs';
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

/** The pronouncing dictionary as one text, which a browser takes as it is; 130,000 properties of a literal it reads for a second. */
const pronouncingDictionary: Plugin = {
  name: 'pronouncing-dictionary',
  resolveId: (id) => (id === 'virtual:pronouncing-dictionary' ? `\0${id}` : null),
  async load(id) {
    if (id !== '\0virtual:pronouncing-dictionary') return null;
    const { dictionary } = await import('cmu-pronouncing-dictionary');
    return `export default ${JSON.stringify(dictionaryText(dictionary))};`;
  },
};

export default defineConfig({
  plugins: [vue(), earlyFirst],
  worker: { format: 'es', plugins: () => [pronouncingDictionary] },
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
    chunkSizeWarningLimit: 1200,
    modulePreload: { polyfill: false },
    rolldownOptions: {
      input: ['web/index.html', 'web/app/early.ts'],
      output: { codeSplitting: { groups: pieceGroups } },
    },
  },
  html: { cspNonce: '%NONCE%' },
});

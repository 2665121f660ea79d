import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [vue()],
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    target: 'es2022',
    reportCompressedSize: false,
    chunkSizeWarningLimit: 800,
    modulePreload: { polyfill: false },
  },
  html: { cspNonce: '%NONCE%' },
});

// @ts-check
/** `npm run dev`: the interface with reload in front of the built server. */
import { ensureBuild, ensurePackages, root } from './setup.mjs';
import { join, resolve } from 'node:path';

ensurePackages();
ensureBuild();
const { startService } = await import('./services.mjs');
const server = await startService('server', {
  FENWIX_DATA: resolve(process.env['FENWIX_DATA'] ?? join(root, 'data-demo')),
});
const { createServer } = await import('vite');
const dev = await createServer({
  root: join(root, 'web'),
  configFile: join(root, 'vite.config.ts'),
  server: {
    host: '127.0.0.1',
    proxy: {
      '/assets/models': { target: server, changeOrigin: true },
      '/api': {
        target: server,
        changeOrigin: true,
        configure: (proxy) => proxy.on('proxyReq', (request) => request.removeHeader('origin')),
      },
    },
  },
});
await dev.listen();
dev.printUrls();

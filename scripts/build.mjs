// @ts-check
/** Builds the interface, compressed beforehand, and the server, the stand-ins and the demo filler as single files. */
import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'vite';
import { bundle, commandLine } from './bundle.mjs';
import { root } from './setup.mjs';

rmSync(join(root, 'dist'), { recursive: true, force: true });
await build({ root: join(root, 'web'), configFile: join(root, 'vite.config.ts'), logLevel: 'warn' });
const assets = join(root, 'dist/web/assets');
for (const name of readdirSync(assets)) {
  if (!/\.(js|css|svg|json|wasm)$/.test(name)) continue;
  const path = join(assets, name);
  const bytes = readFileSync(path);
  writeFileSync(
    `${path}.br`,
    brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
  );
  writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
}
await bundle({
  ...commandLine,
  server: 'server/main.ts',
  'count-worker': 'server/counts/count-worker.ts',
  'video-host': 'standins/video-host/main.ts',
  'fill-demo': 'demo/fill.ts',
});

// @ts-check
/** Builds the interface, compressed beforehand, and the server, the stand-ins and the demo filler as single files. */
import { cpSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'vite';
import { bundle, commandLine } from './bundle.mjs';
import { modelsAt } from './models-at.mjs';
import { root } from './setup.mjs';

rmSync(join(root, 'dist'), { recursive: true, force: true });
await build({ root: join(root, 'web'), configFile: join(root, 'vite.config.ts'), logLevel: 'warn' });
const assets = join(root, 'dist/web/assets');
const models = join(root, 'dist/web', modelsAt);
cpSync(join(root, 'node_modules/soundswallower/model'), models, { recursive: true });
for (const name of readdirSync(join(root, 'node_modules/soundswallower')))
  if (name.endsWith('.web.wasm')) cpSync(join(root, 'node_modules/soundswallower', name), join(models, name));
/** @param {string} path @param {number} quality of Brotli */
function compress(path, quality) {
  const bytes = readFileSync(path);
  const params = { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length, [constants.BROTLI_PARAM_QUALITY]: quality };
  writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params }));
  writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
}
for (const name of readdirSync(models, { recursive: true, encoding: 'utf8' }))
  // Nothing that grows a build by half a minute: the best quality takes that long.
  if (statSync(join(models, name)).isFile()) compress(join(models, name), 9);
for (const name of readdirSync(assets)) {
  if (!/\.(js|css|svg|json|wasm)$/.test(name)) continue;
  compress(join(assets, name), constants.BROTLI_MAX_QUALITY);
}
await bundle({
  ...commandLine,
  server: 'server/main.ts',
  'count-worker': 'server/counts/count-worker.ts',
  'video-host': 'standins/video-host/main.ts',
  'fill-demo': 'demo/fill.ts',
});

// @ts-check
/** Builds the interface, compressed beforehand, and the server, the stand-ins and the demo filler as single files. */
import { build as bundle } from 'esbuild';
import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'vite';
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
  entryPoints: {
    server: join(root, 'server/main.ts'),
    'video-host': join(root, 'standins/video-host/main.ts'),
    'fill-demo': join(root, 'demo/fill.ts'),
  },
  outdir: join(root, 'dist'),
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  sourcemap: 'linked',
  logLevel: 'warning',
});

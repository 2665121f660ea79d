// @ts-check
/** Runs one TypeScript file: bundles it beside the packages of the clone, then imports the bundle. */
import { mkdirSync } from 'node:fs';
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const [file] = process.argv.slice(2);
if (!file) {
  console.error('Name the TypeScript file to run.');
  process.exit(2);
}
const outfile = resolve('node_modules/.cache/fenwix', `${file.replace(/\W+/g, '-')}.mjs`);
mkdirSync(resolve('node_modules/.cache/fenwix'), { recursive: true });
await build({
  entryPoints: [file],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  sourcemap: 'inline',
});
process.argv.splice(2, 1);
await import(pathToFileURL(outfile).href);

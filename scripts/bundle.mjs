// @ts-check
/** Bundles the programs that run on Node, each into one file. Run by itself, as after `npm ci`, only the command line. */
import { build } from 'esbuild';
import { join } from 'node:path';
import { argv } from 'node:process';
import { pathToFileURL } from 'node:url';
import { root } from './setup.mjs';

/** @param {Readonly<Record<string, string>>} programs name of each in dist, and its source */
export async function bundle(programs) {
  await build({
    entryPoints: Object.fromEntries(Object.entries(programs).map(([name, source]) => [name, join(root, source)])),
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
}

export const commandLine = { cli: 'cli/main.ts' };

if (argv[1] && import.meta.url === pathToFileURL(argv[1]).href) await bundle(commandLine);

// @ts-check
/** `npm run demo`: everything set up, a demo job to try, one address. */
import { ensureBuild, ensurePackages, root, run, stop } from './setup.mjs';
import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';

ensurePackages();
ensureBuild();
const { startService } = await import('./services.mjs');

const data = resolve(process.env['FENWIX_DATA'] ?? join(root, 'data-demo'));
mkdirSync(data, { recursive: true });
const token = 'demo-token-of-tollen-reach';
const setup = join(data, 'video-host.json');
if (!run(process.execPath, ['dist/fill-demo.mjs', 'host-setup', setup, token]))
  stop('The demo’s stand-in could not be set up; the reason stands above.');
const host = await startService('video-host', { STANDIN_SETUP: setup });
const server = await startService('server', { FENWIX_DATA: data });
if (!run(process.execPath, ['dist/fill-demo.mjs', 'fill', server, host, token]))
  stop('The demo job could not be made; the reason stands above.');
console.log(`\nFenwix is ready: ${server}\nCtrl+C stops it. The demo’s data is in ${data}`);

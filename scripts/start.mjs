// @ts-check
/** `npm start`: Fenwix on the user's own data. */
import { ensureBuild, ensurePackages, root } from './setup.mjs';
import { join, resolve } from 'node:path';

ensurePackages();
ensureBuild();
const { startService } = await import('./services.mjs');
const data = resolve(process.env['FENWIX_DATA'] ?? join(root, 'data'));
const server = await startService('server', { FENWIX_DATA: data });
console.log(`\nFenwix is ready: ${server}\nCtrl+C stops it. Your data is in ${data}`);

/** Starts the video host stand-in and prints its address as one line of JSON. */
import { readFileSync } from 'node:fs';
import { buildHost, type HostSetup } from './host.ts';

const setup = JSON.parse(readFileSync(process.env['STANDIN_SETUP'] ?? '', 'utf8')) as HostSetup;
const app = await buildHost(setup);
const wanted = Number(process.env['STANDIN_PORT'] ?? 4420);
let address: string;
try {
  address = await app.listen({ host: '127.0.0.1', port: wanted });
} catch (error) {
  if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
  address = await app.listen({ host: '127.0.0.1', port: 0 });
}
console.log(JSON.stringify({ listening: address }));
const stop = (): void => void app.close().then(() => process.exit(0));
process.once('SIGINT', stop);
process.once('SIGTERM', stop);
if (process.env['FENWIX_PARENT']) process.once('disconnect', stop);

/** Starts the video host stand-in and prints its address as one line of JSON. */
import { readFileSync } from 'node:fs';
import Joi from 'joi';
import { setupSchema, type HostSetup } from './held.ts';
import { buildHost } from './host.ts';

const { file, port: wanted } = Joi.attempt(
  { file: process.env['STANDIN_SETUP'], port: process.env['STANDIN_PORT'] },
  Joi.object<{ file: string; port: number }>({
    file: Joi.string().required(),
    port: Joi.number().port().default(4420),
  }),
);
const setup: HostSetup = Joi.attempt(JSON.parse(readFileSync(file, 'utf8')), setupSchema);
const app = await buildHost(setup);
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

/** Starts the server and prints its address as one line of JSON, for whoever started it. */
import { buildApp } from './app.ts';
import { configFrom } from './config.ts';

const config = configFrom(process.env);
const app = await buildApp(config);
let address: string;
try {
  address = await app.listen({ host: config.host, port: config.port });
} catch (error) {
  if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
  address = await app.listen({ host: config.host, port: 0 });
}
console.log(JSON.stringify({ listening: address }));

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    void app.close().then(() => process.exit(0));
  });
}
// Ends with the process that started it, even when that was killed without a word.
if (process.env['FENWIX_PARENT']) process.once('disconnect', () => void app.close().then(() => process.exit(0)));

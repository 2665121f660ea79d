/** Starts the server and prints its address as one line of JSON, for whoever started it. */
import { buildApp } from './app.ts';
import { configFrom, type Config } from './config.ts';
import { startProblem } from './start.ts';

async function start(config: Config): Promise<void> {
  const app = await buildApp(config);
  let address: string;
  try {
    address = await app.listen({ host: config.host, port: config.port });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    address = await app.listen({ host: config.host, port: 0 });
  }
  app.folder.tell(address);
  console.log(JSON.stringify({ listening: address }));

  const stop = (): void => void app.close().then(() => process.exit(0));
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, stop);
  // Ends with the process that started it, even when that was killed without a word.
  if (process.env['FENWIX_PARENT']) process.once('disconnect', stop);
}

let folder = 'the data folder';
try {
  const config = configFrom(process.env);
  folder = config.data;
  await start(config);
} catch (error) {
  const sentence = startProblem(error, folder);
  if (sentence === null) throw error;
  console.error(`Fenwix cannot start. ${sentence}`);
  process.exit(1);
}

/**
 * A data folder with the demo’s job in it, its recording heard through, for every file of browser tests to begin from:
 * making it takes a minute of processor time, and copying it none.
 */
import { cpSync } from 'node:fs';
import { urlOf } from '../../core/contract/contract.ts';
import { asking } from './ask.ts';
import { eventually, openBrowser } from './browser.ts';
import { startServices } from './services.ts';

const [folder = ''] = process.argv.slice(2);
const services = await startServices();
const ask = asking(() => services.address);
const { driver } = await openBrowser();
const [job] = await ask('GET /api/jobs');
const hash = job?.recording?.hash ?? '';
await driver.get(`${services.address}/jobs/${job?.id ?? ''}/words`);
await eventually(driver, 'the recording heard through', async () => {
  const heard = await Promise.allSettled([
    fetch(`${services.address}${urlOf('GET /api/recordings/:hash/peaks', { params: { hash } })}`).then(({ ok }) => {
      if (!ok) throw new Error('Not yet.');
    }),
    ask('GET /api/recordings/:hash/regions', { params: { hash } }),
  ]);
  return heard.every(({ status }) => status === 'fulfilled');
});
await driver.quit();
await services.stopServer();
cpSync(services.data, folder, { recursive: true });
await services.stop();

/**
 * A data folder with the demo’s job in it, its recording heard through, for every file of browser tests to begin from:
 * making it takes some ten seconds of processor time, and copying it none.
 */
import { cpSync } from 'node:fs';
import { asking } from './ask.ts';
import { openBrowser } from './browser.ts';
import { heardThrough } from './new-job.ts';
import { startServices } from './services.ts';

const [folder = ''] = process.argv.slice(2);
const services = await startServices();
const ask = asking(() => services.address);
const { driver } = await openBrowser();
const [job] = await ask('GET /api/jobs');
const hash = job?.recording?.hash ?? '';
await driver.get(`${services.address}/jobs/${job?.id ?? ''}/words`);
// How loud it is comes before where speech is.
await heardThrough({ services, driver }, hash);
await driver.quit();
await services.stopServer();
cpSync(services.data, folder, { recursive: true });
await services.stop();

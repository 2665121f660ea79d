/** Begins a job with a recording alone, as somebody would, and waits until it is heard. */
import { resolve } from 'node:path';
import type { Regions } from '../../core/audio/regions.ts';
import type { Application } from './application.ts';
import { asking } from './ask.ts';
import { By, eventually, press, says, see, shareDone } from './browser.ts';

/** Waits until the page has listened to a recording, however long that takes, and gives what it heard. */
export const heardThrough = (
  app: Pick<Application, 'services' | 'driver'>,
  hash: string,
  track = 0,
): Promise<Regions> =>
  eventually(
    app.driver,
    'the sound heard through',
    () =>
      asking(() => app.services.address)('GET /api/recordings/:hash/regions', {
        params: { hash },
        query: { track },
      }).catch(() => null),
    () => shareDone(app.driver),
  );

/** @param path of the recording, from the root @returns the id of the job, once its tape is there */
export async function jobFromRecording(app: Application, path: string): Promise<string> {
  await app.driver.get(`${app.services.address}/new`);
  const input = await see(app.driver, '.intake input[type=file]');
  await input.sendKeys(resolve(path));
  await says(app.driver, `✓ ${path.split('/').at(-1) ?? ''}`);
  await app.driver.findElement(By.xpath('//label[contains(., "There are none yet")]')).click();
  await press(app.driver, 'Create the job');
  await press(app.driver, 'Time first');
  await see(app.driver, '[data-test=tape]');
  return eventually(
    app.driver,
    'the address of the job',
    async () => /jobs\/([^/]+)\/tape/.exec(await app.driver.getCurrentUrl())?.[1],
  );
}

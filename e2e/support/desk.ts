/** The demo’s job in Words, and what tests look at and do there. */
import type { Caption } from '../../core/model/caption.ts';
import type { Application } from './application.ts';
import { asking, captionsOf } from './ask.ts';
import { control, eventually, lines, see, saved } from './browser.ts';

export interface DemoDesk {
  /** The captions as the server has them, once it has all of them. */
  readonly kept: () => Promise<readonly Caption[]>;
  /** Waits until the text that is shown has something, or no longer. */
  readonly text: (of: string | RegExp, is?: boolean) => Promise<boolean>;
  readonly selected: () => Promise<string>;
  readonly paste: (content: string) => Promise<undefined>;
  /** Takes a step back, and waits for what that gives. */
  readonly undone: (what: string | RegExp, is?: boolean) => Promise<void>;
}

/** Opens the demo’s fair copy in Words before the first test of a file. */
export function withDemoDesk(app: Application): DemoDesk {
  const ask = asking(() => app.services.address);
  let track = '';
  beforeAll(async () => {
    const [job] = await ask('GET /api/jobs');
    if (!job) throw new Error('The demo has a job.');
    const whole = await ask('GET /api/jobs/:id', { params: { id: job.id } });
    track = whole.tracks.find((t) => t.kind !== 'machine')?.id ?? '';
    await app.driver.get(`${app.services.address}/jobs/${job.id}/words`);
    await see(app.driver, '.cm-line');
  });
  const text = (of: string | RegExp, is = true): Promise<boolean> =>
    eventually(app.driver, `the text ${is ? '' : 'not '}to have ${String(of)}`, async () => {
      const now = (await lines(app.driver)).join(' ');
      return (typeof of === 'string' ? now.includes(of) : of.test(now)) === is;
    });
  return {
    async kept() {
      await saved(app.driver);
      return captionsOf(ask, track);
    },
    text,
    selected: () => app.driver.executeScript<string>('return getSelection().toString()'),
    paste: (content) =>
      app.driver.executeScript<undefined>(
        `const data = new DataTransfer(); data.setData('text/plain', arguments[0]);
         document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
        content,
      ),
    async undone(what, is = true) {
      await control(app.driver, 'z');
      await text(what, is);
    },
  };
}

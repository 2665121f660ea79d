/** The playhead of the recording, taken somewhere. */
import { eventually, type WebDriver } from './browser.ts';

/**
 * Goes to a time of the recording, and stays there: the picture may be on its way to the caption that was chosen last,
 * and is called back from there.
 */
export const seek = (driver: WebDriver, seconds: number): Promise<boolean> =>
  eventually(driver, `the playhead at ${String(seconds)} s`, () =>
    driver.executeScript<boolean>(
      `const [to] = arguments, media = document.querySelector('video');
       if (media.readyState < 1 || media.seeking) return false;
       if (Math.abs(media.currentTime - to) > 0.005) { media.currentTime = to; return false; }
       const shown = document.querySelector('[data-test=playhead]').textContent.split(':');
       return Math.abs(shown.reduce((sum, part) => sum * 60 + Number(part), 0) - to) < 0.01;`,
      seconds,
    ),
  );

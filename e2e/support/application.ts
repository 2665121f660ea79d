/** Server, stand-ins and a browser for the tests of one file. */
import { openBrowser, type Opened, type WebDriver } from './browser.ts';
import { startServices, type Services } from './services.ts';

export interface Application {
  readonly services: Services;
  readonly opened: Opened;
  readonly driver: WebDriver;
}

/** Starts all of it before the first test and stops it after the last; what it gives is there inside tests only. */
export function withApplication(env: Record<string, string> = {}): Application {
  const running: { services?: Services; opened?: Opened } = {};
  beforeAll(async () => {
    running.services = await startServices(env);
    running.opened = await openBrowser();
  });
  afterAll(async () => {
    await running.opened?.driver.quit();
    await running.services?.stop();
  });
  const started = <T>(part: T | undefined): T => {
    if (part === undefined) throw new Error('The application runs inside tests only.');
    return part;
  };
  return {
    get services() {
      return started(running.services);
    },
    get opened() {
      return started(running.opened);
    },
    get driver() {
      return started(running.opened).driver;
    },
  };
}

/** What axe finds on the page. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { devTools, eventually, type WebDriver } from './browser.ts';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly nodes: readonly { readonly html: string; readonly failureSummary: string }[];
}

/** The rules about colours, of those that are asked. */
const ofColours = { runOnly: { type: 'rule', values: ['color-contrast', 'link-in-text-block'] } };

async function found(driver: WebDriver, only: object = {}): Promise<string[]> {
  if (!(await driver.executeScript<boolean>('return "axe" in window'))) await driver.executeScript(axe);
  const violations = await driver.executeAsyncScript<Violation[]>(
    `const done = arguments[1];
     axe.run(document, { resultTypes: ["violations"], ...arguments[0] }).then((r) => done(r.violations));`,
    only,
  );
  return violations.flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 160)} ${n.failureSummary.slice(0, 300)}`),
  );
}

/** A line for each place of the page that breaks a rule of axe-core. */
export const violations = (driver: WebDriver): Promise<string[]> => found(driver);

/** What the system prefers, which a page follows that was told nothing else. */
async function prefer(driver: WebDriver, theme: 'light' | 'dark'): Promise<void> {
  const features = [{ name: 'prefers-color-scheme', value: theme }];
  await devTools(driver, 'Emulation.setEmulatedMedia', { features });
  await eventually(driver, `the ${theme} theme`, () =>
    driver.executeAsyncScript<boolean>(
      `const done = arguments[1];
       requestAnimationFrame(() => requestAnimationFrame(() => done(document.documentElement.dataset.theme === arguments[0])));`,
      theme,
    ),
  );
}
/** The same in both themes, of a page that follows the system: the rules about colours are asked in each. */
export async function violationsInBothThemes(driver: WebDriver): Promise<string[]> {
  await prefer(driver, 'dark');
  const inDark = await found(driver, ofColours);
  await prefer(driver, 'light');
  return [...inDark.map((line) => `dark: ${line}`), ...(await found(driver))];
}

/** What axe finds on the page. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { WebDriver } from './browser.ts';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly nodes: readonly { readonly html: string; readonly failureSummary: string }[];
}

/** A line for each place of the page that breaks a rule of axe-core. */
export async function violations(driver: WebDriver): Promise<string[]> {
  await driver.executeScript(axe);
  const found = await driver.executeAsyncScript<Violation[]>(
    'const done = arguments[0]; axe.run(document, { resultTypes: ["violations"] }).then((r) => done(r.violations));',
  );
  return found.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 160)} ${n.failureSummary.slice(0, 300)}`));
}

// @ts-check
/** Before all browser tests: makes the data folder that each file begins from. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export default function makeTemplate() {
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-template-'));
  const { status } = spawnSync(process.execPath, ['scripts/run-ts.mjs', 'e2e/support/template.ts', folder], {
    stdio: 'inherit',
  });
  if (status !== 0)
    throw new Error('The data that browser tests begin from could not be made; the reason stands above.');
  process.env['FENWIX_TEST_TEMPLATE'] = folder;
}

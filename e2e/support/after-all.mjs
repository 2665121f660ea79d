// @ts-check
/** After all browser tests: what they began from goes. */
import { rmSync } from 'node:fs';

export default function removeTemplate() {
  rmSync(process.env['FENWIX_TEST_TEMPLATE'] ?? '', { recursive: true, force: true });
}

// @ts-check
/** Where the acoustic models are served, by the version of the package they come with: browsers keep them for good. */
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const about = fileURLToPath(new URL('../node_modules/soundswallower/package.json', import.meta.url));
/** @type {{ version: string }} */
const { version } = JSON.parse(readFileSync(about, 'utf8'));
export const modelsAt = `/assets/models/${version}`;

#!/usr/bin/env node
// @ts-check
import { existsSync } from 'node:fs';

const built = new URL('../dist/cli.mjs', import.meta.url);
if (existsSync(built)) await import(built.href);
else {
  console.error('fenwix has not been built yet: run npm run build.');
  process.exitCode = 2;
}

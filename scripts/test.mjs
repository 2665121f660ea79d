// @ts-check
/** `npm test`: types, lint, unit tests, build and browser tests; ends with one line that counts them. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, run, stop } from './setup.mjs';

/** Debian's browser and its driver, installed when they are missing and this user may. */
function ensureBrowser() {
  if (existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver')) return;
  const how = 'apt-get install chromium chromium-driver';
  if (process.getuid?.() !== 0 || spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status !== 0)
    stop(`The browser tests need Debian’s Chromium and its driver. Install them: ${how}`);
  console.log('Installing Chromium and its driver…');
  /** @type {import('node:child_process').SpawnSyncOptions} */
  const quiet = { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }, stdio: ['ignore', 'ignore', 'inherit'] };
  run('apt-get', ['update'], quiet);
  if (!run('apt-get', ['install', '-y', '--no-install-recommends', 'chromium', 'chromium-driver'], quiet))
    stop(`Chromium could not be installed. Install it by hand: ${how}`);
}

/** @type {{ name: string, passed: number, failed: number }[]} */
const counts = [];

/** A step that passes or fails as a whole. @param {string} name @param {readonly string[]} command */
function step(name, command) {
  console.log(`\n== ${name}`);
  const ok = run(command[0] ?? '', command.slice(1));
  counts.push({ name, passed: ok ? 1 : 0, failed: ok ? 0 : 1 });
}

/** A run of Jest, counted test by test. @param {string} name @param {readonly string[]} args */
function jest(name, args) {
  console.log(`\n== ${name}`);
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-test-'));
  const output = join(folder, 'results.json');
  run(
    process.execPath,
    [
      '--no-warnings',
      '--experimental-vm-modules',
      'node_modules/jest/bin/jest.js',
      '--json',
      `--outputFile=${output}`,
      ...args,
    ],
    { stdio: ['ignore', 'ignore', 'inherit'] },
  );
  const results = existsSync(output)
    ? JSON.parse(readFileSync(output, 'utf8'))
    : { numPassedTests: 0, numFailedTests: 1, numFailedTestSuites: 0, numRuntimeErrorTestSuites: 0 };
  rmSync(folder, { recursive: true });
  counts.push({
    name,
    passed: results.numPassedTests,
    failed: results.numFailedTests + (results.numRuntimeErrorTestSuites ?? 0),
  });
}

ensurePackages();
ensureBrowser();
step('types: core', ['npx', 'tsc', '--noEmit', '-p', 'tsconfig.core.json']);
step('types: server, tools, tests', ['npx', 'tsc', '--noEmit', '-p', 'tsconfig.node.json']);
step('types: web', ['npx', 'vue-tsc', '--noEmit', '-p', 'tsconfig.web.json']);
step('lint', ['npx', 'eslint', '.', '--max-warnings=0']);
step('format', ['npx', 'prettier', '--check', '--log-level', 'warn', '.']);
jest('unit tests', []);
ensureBuild();
jest('browser tests', ['--config', 'jest.e2e.config.js', '--runInBand']);
console.log('');
for (const { name, passed, failed } of counts)
  console.log(
    `${failed > 0 ? 'FAILED' : 'ok    '} ${name}: ${String(passed)} passed${failed > 0 ? `, ${String(failed)} failed` : ''}`,
  );
const passed = counts.reduce((sum, c) => sum + c.passed, 0);
const failed = counts.reduce((sum, c) => sum + c.failed, 0);
console.log(`${String(passed)} passed, ${String(failed)} failed`);
process.exit(failed > 0 ? 1 : 0);

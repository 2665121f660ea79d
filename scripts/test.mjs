// @ts-check
/** `npm test`: types, lint, unit tests, build and browser tests; ends with one line that counts them. */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { ensureBuild, ensurePackagesEarly, root, run, stop } from './setup.mjs';

/** Debian’s browser and its driver, installed when they are missing and this user may; begun here, it goes on beside what follows. */
async function ensureBrowser() {
  if (existsSync('/usr/lib/chromium/chromium-headless-shell') && existsSync('/usr/bin/chromedriver')) return;
  const how = 'apt-get install chromium-headless-shell chromium-driver';
  if (process.getuid?.() !== 0 || spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status !== 0)
    stop(`The browser tests need Debian’s Chromium and its driver. Install them: ${how}`);
  console.log('Installing Chromium and its driver…');
  // One process for both steps: the next cannot wait for this one, which is busy with the packages.
  const child = spawn(
    'sh',
    ['-c', 'apt-get update; apt-get install -y --no-install-recommends chromium-headless-shell chromium-driver'],
    {
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  const [code] = await once(child, 'close');
  if (code !== 0) stop(`Chromium could not be installed. Install it by hand: ${how}`);
}

/** @type {{ name: string, passed: number, failed: number, seconds: number }[]} */
const counts = [];
/** Tells how long something took since then, in seconds. */
function stopwatch() {
  const from = performance.now();
  return () => Math.round((performance.now() - from) / 1000);
}
const whole = stopwatch();

/** A step that passes or fails as a whole; what it says is printed when it has ended. @param {string} name @param {string} program a script of a package @param {readonly string[]} args */
async function step(name, program, args) {
  const took = stopwatch();
  const child = spawn(process.execPath, [join('node_modules', program), ...args], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  /** @type {Buffer[]} */
  const said = [];
  child.stdout.on('data', (part) => said.push(part));
  child.stderr.on('data', (part) => said.push(part));
  const [code] = await once(child, 'close');
  console.log(`\n== ${name}\n${Buffer.concat(said).toString()}`.trimEnd());
  counts.push({ name, passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1, seconds: took() });
}

/** The files that took longest. @param {readonly { name: string, startTime: number, endTime: number }[]} files */
const slowest = (files) =>
  files
    .map(({ name, startTime, endTime }) => ({
      name: basename(name),
      seconds: Math.round((endTime - startTime) / 1000),
    }))
    .sort((a, b) => b.seconds - a.seconds)
    .slice(0, 8)
    .map(({ name, seconds }) => `${name} ${String(seconds)} s`)
    .join(', ');

/** A run of Jest, counted test by test. @param {string} name @param {readonly string[]} args */
function jest(name, args) {
  console.log(`\n== ${name}`);
  const took = stopwatch();
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
  console.log(`Slowest: ${slowest(results.testResults ?? [])}`);
  counts.push({
    name,
    passed: results.numPassedTests,
    failed: results.numFailedTests + (results.numRuntimeErrorTestSuites ?? 0),
    seconds: took(),
  });
}

const browser = ensureBrowser();
const packages = ensurePackagesEarly();
const native = 'typescript-native/bin/tsc';
/** Linting takes as long as all the others together, and goes on beside them and the build. */
const lint = step('lint', 'eslint/bin/eslint.js', ['.', '--max-warnings=0']);
await step('lint: what needs types', 'oxlint/bin/oxlint', ['.']);
await step('types: core', native, ['--noEmit', '-p', 'tsconfig.core.json']);
await step('types: server, tools, tests', native, ['--noEmit', '-p', 'tsconfig.node.json']);
await step('types: web', 'vue-tsc/bin/vue-tsc.js', ['--noEmit', '-p', 'tsconfig.web.json']);
await step('styles', 'stylelint/bin/stylelint.mjs', ['web/**/*.{vue,css}']);
const folders = ['core', 'server', 'web', 'cli', 'standins'];
await step('arrows', 'dependency-cruiser/bin/dependency-cruise.mjs', [
  '--config',
  '.dependency-cruiser.js',
  ...folders,
]);
await step('format', 'prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.']);
ensureBuild();
await lint;
await packages;
await browser;
const prepared = whole();
jest('unit tests', []);
jest('browser tests', ['--config', 'jest.e2e.config.js']);
console.log('');
console.log(
  `       ${String(whole())} s in all; packages and browser were there after ${String(prepared)} s, beside the first steps`,
);
for (const { name, passed, failed, seconds } of counts)
  console.log(
    `${failed > 0 ? 'FAILED' : 'ok    '} ${name}: ${String(passed)} passed${failed > 0 ? `, ${String(failed)} failed` : ''}, ${String(seconds)} s`,
  );
const passed = counts.reduce((sum, c) => sum + c.passed, 0);
const failed = counts.reduce((sum, c) => sum + c.failed, 0);
console.log(`${String(passed)} passed, ${String(failed)} failed`);
process.exit(failed > 0 ? 1 : 0);

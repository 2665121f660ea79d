// @ts-check
/** Brings a clone up to date: packages as the lock file has them, and a build of what has changed. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');

/** Says a sentence and ends. @param {string} sentence @returns {never} */
export function stop(sentence) {
  console.error(sentence);
  process.exit(1);
}

/** @param {string} command @param {readonly string[]} args @param {import('node:child_process').SpawnSyncOptions} [options] */
export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options }).status === 0;
}

/** @param {string} command */
const has = (command) => spawnSync(command, ['--version'], { stdio: 'ignore' }).status === 0;

/** @param {string} path */
const digestOf = (path) => createHash('sha256').update(readFileSync(path)).digest('hex');

const packagesMark = join(root, 'node_modules', '.fenwix-lock');

/** The state of the lock file where packages are missing or behind it, else null. */
function lockToFollow() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    stop(`Fenwix needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
  const lock = digestOf(join(root, 'package-lock.json'));
  if (existsSync(packagesMark) && readFileSync(packagesMark, 'utf8') === lock) return null;
  const missing = [
    ['python3', 'Python 3'],
    ['make', 'make'],
    ['c++', 'a C++ compiler'],
  ].filter(([command = '']) => !has(command));
  if (missing.length > 0)
    stop(
      `The database driver is built on this machine and needs ${missing.map(([, name]) => name).join(', ')}. On Debian: apt-get install python3 make g++`,
    );
  console.log('Installing packages (the database driver is built from source: about two minutes)…');
  return lock;
}
const notInstalled = 'The packages could not be installed; npm says why above.';

/** Installs packages when they are missing or behind the lock file. */
export function ensurePackages() {
  const lock = lockToFollow();
  if (lock === null) return;
  if (!run('npm', ['ci', '--no-audit', '--no-fund'])) stop(notInstalled);
  writeFileSync(packagesMark, lock);
}

/** As `ensurePackages`; what needs no database driver can begin when this returns, the rest when the promise is kept. */
export async function ensurePackagesEarly() {
  const lock = lockToFollow();
  if (lock === null) return;
  if (!run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund'])) stop(notInstalled);
  const [code] = await once(spawn('npm', ['rebuild'], { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] }), 'close');
  if (code !== 0) stop(notInstalled);
  writeFileSync(packagesMark, lock);
}

/** Files below a folder, in a steady order. @param {string} folder @returns {string[]} */
function filesBelow(folder) {
  return readdirSync(folder)
    .sort()
    .flatMap((name) => {
      const path = join(folder, name);
      return statSync(path).isDirectory() ? filesBelow(path) : [path];
    });
}

/** Builds when anything that goes into the build has changed since the last one. */
export function ensureBuild() {
  const sources = ['core', 'server', 'web', 'cli', 'standins', 'demo']
    .flatMap((folder) => filesBelow(join(root, folder)))
    .filter((path) => !path.endsWith('.test.ts') && !path.includes('recordings/'));
  const hash = createHash('sha256');
  for (const path of [
    ...sources,
    ...['package-lock.json', 'vite.config.ts', 'scripts/build.mjs', 'scripts/bundle.mjs'].map((f) => join(root, f)),
  ]) {
    hash.update(relative(root, path)).update('\0').update(readFileSync(path)).update('\0');
  }
  const state = hash.digest('hex');
  const mark = join(root, 'dist', '.built');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === state) return;
  console.log('Building…');
  if (!run('node', ['scripts/build.mjs', 'scripts/bundle.mjs'])) stop('The build failed; the reason stands above.');
  mkdirSync(dirname(mark), { recursive: true });
  writeFileSync(mark, state);
}

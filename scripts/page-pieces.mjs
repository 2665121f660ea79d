// @ts-check
/**
 * The pieces in which the page is read. By itself the bundler makes a piece of whatever the same places share, a hundred
 * of them for a job that opens, and to ask for a hundred files takes a browser a quarter of a second.
 */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './setup.mjs';

/** @typedef {(id: string) => { readonly importedIds: readonly string[] } | null} ModuleInfoOf what the bundler knows of a module */

/** Where each stage begins. */
const stages = readdirSync(join(root, 'web/stages'), { recursive: true, encoding: 'utf8' })
  .filter((name) => /^\w+\/\w+Stage\.vue$/.test(name))
  .map((name) => join('web/stages', name));

/**
 * What is read together, in the order of reading: a module goes with the first that it comes with.
 * @type {readonly { readonly name: string, readonly begins: readonly string[], readonly sharedBy: number }[]}
 */
const pieces = [
  { name: 'early', begins: ['web/app/early.ts'], sharedBy: 1 },
  { name: 'page', begins: ['web/app/main.ts'], sharedBy: 1 },
  { name: 'job', begins: ['web/app/frame/JobFrame.vue'], sharedBy: 1 },
  { name: 'stages', begins: stages, sharedBy: 2 },
];

/**
 * Everything that a module imports, and what that imports, without what is only read when asked for.
 * @param {string} begin @param {ModuleInfoOf} infoOf
 */
function comesWith(begin, infoOf) {
  const found = new Set([begin]);
  for (const id of found) for (const next of infoOf(id)?.importedIds ?? []) found.add(next);
  return found;
}

/** @typedef {{ readonly getModuleInfo: ModuleInfoOf }} Bundler */

/**
 * The pieces as groups of the bundler; what is in none of them it divides by itself. Each comes before the next one, which
 * would otherwise take along what it shares with it.
 */
export const pieceGroups = pieces.map(({ name, begins, sharedBy }, at) => {
  /** @type {readonly Set<string>[] | undefined} */
  let parts;
  return {
    debugName: name,
    priority: pieces.length - at,
    /** @param {string} id @param {Bundler} bundler */
    name: (id, bundler) => {
      parts ??= begins.map((begin) => comesWith(join(root, begin), (imported) => bundler.getModuleInfo(imported)));
      return parts.filter((part) => part.has(id)).length >= sharedBy ? name : null;
    },
  };
});

/** Where the rules of letters come from, so that it is told whether they are current. Paths are those of the project. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { ModelName } from '../core/audio/phones/models.ts';

export const dictionaryOf = (model: ModelName): string => `node_modules/soundswallower/model/${model}/dict.txt`;
export const rulesFile = (model: ModelName): string => `core/audio/phones/letters-${model}.json`;

/** A print of everything the rules follow from: the dictionary, and how it is learnt. */
export function lessonOf(model: ModelName): string {
  const print = createHash('sha256');
  for (const path of [dictionaryOf(model), 'core/audio/phones/learn-letters.ts', 'core/audio/phones/letters.ts'])
    print.update(readFileSync(path));
  return print.digest('hex');
}

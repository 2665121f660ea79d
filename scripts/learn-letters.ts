/** Learns how letters are said from the dictionaries of the acoustic models: `node scripts/run-ts.mjs scripts/learn-letters.ts`. */
import { readFileSync, writeFileSync } from 'node:fs';
import { readDictionary } from '../core/audio/phones/dictionary.ts';
import { learnLetters } from '../core/audio/phones/learn-letters.ts';
import { modelNames } from '../core/audio/phones/models.ts';
import { dictionaryOf, lessonOf, rulesFile } from './letters-lesson.ts';

for (const model of modelNames) {
  const rules = learnLetters(readDictionary(readFileSync(dictionaryOf(model), 'utf8')));
  writeFileSync(rulesFile(model), `${JSON.stringify({ lesson: lessonOf(model), rules })}\n`);
  console.log(`${model}: ${String(Object.keys(rules).length)} rules`);
}

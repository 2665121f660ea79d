/** Everything that is known of the sounds of a language, from the data of its acoustic model. */
import { readDictionary } from './dictionary.ts';
import type { LetterRules } from './letters.ts';
import type { ModelFor } from './models.ts';
import { englishPossessive, type Sounds } from './pronounce.ts';

/** @param dictionary of the model, as text @param rules learnt from it */
export const soundsOf = ({ model, spelling }: ModelFor, dictionary: string, rules: LetterRules): Sounds => ({
  dictionary: readDictionary(dictionary),
  rules,
  elides: model === 'fr-fr',
  possessive: model === 'en-us' ? englishPossessive : null,
  spelling,
});

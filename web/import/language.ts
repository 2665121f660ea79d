/** The language an imported file is offered as. */
import type { ReadResult } from '../../core/formats/format.ts';
import { languageOfName, languageOfText } from '../../core/languages/guess-language.ts';
import { baseLanguage } from '../../core/text/language.ts';

/** So many captions are enough to tell a language. */
const enough = 100;

/**
 * What the file says, or is called, or looks like. A guess without a region says no more than the language that is
 * spoken in the recording where that is the same: British English stays British.
 * @param name of the file
 * @param spoken BCP 47
 */
export function languageFor(
  { language, captions }: Pick<ReadResult, 'language' | 'captions'>,
  name: string,
  spoken: string,
): string {
  if (language !== null) return language;
  const text = captions
    .slice(0, enough)
    .map((c) => c.text)
    .join(' ');
  const guess = languageOfName(name) ?? languageOfText(text);
  return guess === null || guess === baseLanguage(spoken) ? spoken : guess;
}

/** The language an imported file is offered as. */
import type { ImportResult } from '../../core/formats/registry.ts';
import { baseLanguage } from '../../core/text/language.ts';

/**
 * What the file says, or is called, or looks like. A guess without a region says no more than the language that is
 * spoken in the recording where that is the same: British English stays British.
 * @param spoken BCP 47
 */
export function languageFor(
  { language, languageGuess }: Pick<ImportResult, 'language' | 'languageGuess'>,
  spoken: string,
): string {
  if (language !== null) return language;
  if (languageGuess === null || languageGuess === baseLanguage(spoken)) return spoken;
  return languageGuess;
}

/** Which acoustic model a language is placed with. */

export const modelNames = ['en-us', 'fr-fr'] as const;
export type ModelName = (typeof modelNames)[number];

/** The model for a language, and whether it is one of its own. */
export interface ModelFor {
  readonly model: ModelName;
  /** The model is of another language: places are about right. */
  readonly isApproximate: boolean;
  /** Letters of the language as the model's language writes their sounds. */
  readonly spelling: ((word: string) => string) | null;
}

/** Spanish as French would write it, after the usual account of its letters (from memory); sounds French lacks go to the nearest. */
const spanishInFrench = (word: string): string =>
  word
    .replace(/qu(?=[eiéí])/g, 'k')
    .replace(/ll|y(?=[aeiouáéíóú])/g, 'y')
    .replace(/ñ/g, 'gn')
    .replace(/ch/g, 'tch')
    .replace(/[jx]|g(?=[eiéí])/g, 'r')
    .replace(/c(?=[eiéí])|z/g, 'ss')
    .replace(/h/g, '')
    .replace(/u/g, 'ou')
    .replace(/ú/g, 'ou')
    .replace(/[eé]/g, 'é')
    .replace(/á/g, 'a')
    .replace(/í/g, 'i')
    .replace(/ó/g, 'o')
    .replace(/v/g, 'b')
    .replace(/n$/g, 'ne')
    .replace(/s$/g, 'sse');

/** German on the English model: the letters that are said otherwise there, from memory. */
const germanInEnglish = (word: string): string =>
  word
    .replace(/sch/g, 'sh')
    .replace(/ei/g, 'igh')
    .replace(/ie/g, 'ee')
    .replace(/[äö]/g, 'e')
    .replace(/ü/g, 'oo')
    .replace(/ß/g, 'ss')
    .replace(/w/g, 'v')
    .replace(/z/g, 'ts')
    .replace(/j/g, 'y');

/** The model a language is placed with; null where its letters have no sounds in either. @param tag BCP 47 */
export function modelFor(tag: string): ModelFor | null {
  const language = tag.split('-')[0]?.toLowerCase() ?? '';
  switch (language) {
    case 'en':
      return { model: 'en-us', isApproximate: false, spelling: null };
    case 'fr':
      return { model: 'fr-fr', isApproximate: false, spelling: null };
    case 'es':
      return { model: 'fr-fr', isApproximate: true, spelling: spanishInFrench };
    case 'de':
      return { model: 'en-us', isApproximate: true, spelling: germanInEnglish };
    default:
      return null;
  }
}

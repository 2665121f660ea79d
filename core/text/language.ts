/** The language a tag (BCP 47) stands for without region and script, as `en` for `en-GB`; English where none is known. */
export const baseLanguage = (tag: string | null | undefined): string =>
  (tag ?? 'en').split('-')[0]?.toLowerCase() ?? '';

/** Whether a text is a language tag (BCP 47), as `en`, `en-GB` or `zh-Hant`; `abcd` is not. */
export function isLanguageTag(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

/** So many characters of a text are enough to tell its language by. */
export const tellingLength = 4000;

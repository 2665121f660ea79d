/** Languages offered first where one is chosen, by their tags (BCP 47). */
export const languages: readonly string[] = [
  'en-GB',
  'en-US',
  'en',
  'cy',
  'fr',
  'de',
  'es',
  'it',
  'pt',
  'nl',
  'pl',
  'ar',
  'he',
  'hi',
  'ja',
  'zh',
];

const names = new Intl.DisplayNames('en', { type: 'language' });

/** `British English` for `en-GB`; the tag itself where the language is not known. */
export function fullName(tag: string): string {
  try {
    return names.of(tag) ?? tag;
  } catch {
    return tag;
  }
}

/** Languages to be chosen from. @param tags BCP 47 */
export const languageChoices = (tags: readonly string[]) => tags.map((tag) => ({ value: tag, title: fullName(tag) }));

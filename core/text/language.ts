/** The language a tag (BCP 47) stands for without region and script, as `en` for `en-GB`; English where none is known. */
export const baseLanguage = (tag: string | null | undefined): string =>
  (tag ?? 'en').split('-')[0]?.toLowerCase() ?? '';

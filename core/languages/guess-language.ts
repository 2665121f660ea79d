/** Which language captions are in, where their file does not say: by its name, else by its script and words. */
import { franc } from 'franc-min';
import { isLanguageTag } from '../text/language.ts';

const names = new Intl.DisplayNames('en', { type: 'language', fallback: 'none' });

/** A tag as it is written in names of files, `en_GB` or `pt-br`, as BCP 47 has it; null where no language is called so. */
function tagOf(part: string): string | null {
  const tag = part.replace('_', '-');
  if (!isLanguageTag(tag)) return null;
  const [canonical = ''] = Intl.getCanonicalLocales(tag);
  return names.of(canonical) === undefined ? null : canonical;
}

/**
 * The language a file’s name ends with, before its extension: `captions.ar.vtt`, `talk_en_GB.srt`, `talk-pt-BR.srt`.
 * A word of two letters after a hyphen alone is no language (`sit-in.srt`).
 */
export function languageOfName(name: string): string | null {
  const found =
    /[._]([a-z]{2,3}(?:[-_](?:[a-z]{4}|[a-z]{2}|\d{3}))?)\.[^.]+$/i.exec(name) ??
    /-([a-z]{2,3}[-_](?:[a-z]{4}|[a-z]{2}))\.[^.]+$/i.exec(name);
  return found?.[1] === undefined ? null : tagOf(found[1]);
}

/** So many characters are enough to tell, and fewer than these too few. */
const enough = 4000;
const tooFew = 24;

/**
 * The language of a text by its script and words (`franc`: trigrams and scripts); null where there is too little of
 * it, or nothing it is like.
 */
export function languageOfText(text: string): string | null {
  const code = franc(text.slice(0, enough), { minLength: tooFew });
  return code === 'und' ? null : tagOf(code);
}

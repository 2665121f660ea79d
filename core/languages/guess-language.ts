/** Which language captions are in, where their file does not say: by its name, else by its script and words. */
import { francAll } from 'franc-min';
import { baseLanguage, isLanguageTag, tellingLength } from '../text/language.ts';

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

/** Fewer characters than these are too few to tell. */
const tooFew = 24;

/** How like a text is to each language that can be told by its script and words (`franc`: trigrams and scripts), the best first. */
const likenesses = (text: string): readonly (readonly [code: string, likeness: number])[] =>
  francAll(text.slice(0, tellingLength), { minLength: tooFew });

/**
 * The language of a text by its script and words; null where there is too little of it, or nothing it is like.
 */
export function languageOfText(text: string): string | null {
  const code = likenesses(text)[0]?.[0] ?? 'und';
  return code === 'und' ? null : tagOf(code);
}

/** What a text is like. */
export interface LanguageGuess {
  /** BCP 47. */
  readonly language: string;
  /** How sure that is, from 0 to 1: how much better it fits than the next language that was tried. */
  readonly sure: number;
}

/** A gap so wide between the likeness of the best and of the next is certain, as it is met with in this package. */
const wide = 0.25;
/** So many letters are judged without reserve; of fewer, what is found is that much less sure. */
const reliable = 200;

/** @param letters how many there were to judge by */
function guessOf([best, next]: ReturnType<typeof likenesses>, letters: number): LanguageGuess | null {
  const language = best && best[0] !== 'und' ? tagOf(best[0]) : null;
  if (!best || language === null) return null;
  const gap = best[1] - (next?.[1] ?? 0);
  return { language, sure: Math.min(1, gap / wide) * Math.min(1, letters / reliable) };
}

/** The language a text is most like, and how sure that is; null where there is too little of it. */
export const guessLanguage = (text: string): LanguageGuess | null => guessOf(likenesses(text), text.length);

/** A text this unlike the language it is said to be in, of 1, is in another. */
const unlike = 0.8;
/** A guess less sure than this is none to speak of. */
const sureEnough = 0.4;

/**
 * The language a text is in where that is plainly another than it is said to be; null where it fits, or nobody can tell.
 * @param said BCP 47
 */
export function otherLanguage(text: string, said: string): LanguageGuess | null {
  const likes = likenesses(text);
  const guess = guessOf(likes, text.length);
  if (!guess || guess.sure < sureEnough || baseLanguage(guess.language) === baseLanguage(said)) return null;
  const own = likes.find(([code]) => baseLanguage(tagOf(code) ?? code) === baseLanguage(said));
  return (own?.[1] ?? 0) < unlike ? guess : null;
}

/** How closely words belong together, and so how well a line or a caption breaks between them. */
import { baseLanguage } from '../text/language.ts';
import { noPhrases } from './data/phrase-table.ts';
import { writtenLanguage } from './index.ts';
import { factsOf, kind, phrasesFrom, type Phrases, type WordFacts } from './word-facts.ts';

/** What stands between two words, from the best place to break to the worst. */
export type Bond = 'sentence' | 'clause' | 'phrase' | 'none' | 'loose' | 'close';

const made = new Map<string | null | undefined, Phrases>();
const none = phrasesFrom(noPhrases);

/** The phrases of a language by its tag (BCP 47); the English ones where the language is not known. */
export function phrasesOf(language: string | null | undefined): Phrases {
  const known = made.get(language);
  if (known) return known;
  const base = baseLanguage(language);
  const table = writtenLanguage(base)?.phrases;
  const phrases = table ? (made.get(base) ?? phrasesFrom(table)) : none;
  made.set(base, phrases).set(language, phrases);
  return phrases;
}

/** Words that carry no weight of their own, after which no noun phrase goes on. */
const small = kind.prepositions | kind.determiners | kind.auxiliaries | kind.subjects;
/** They want the word after them, whatever it is. */
const leaning = kind.determiners | kind.negations | kind.prepositions;
/** After a number something else begins with these. */
const notCounted = kind.determiners | kind.auxiliaries | kind.subjects | kind.negations | kind.pronouns;

/**
 * How closely two words that follow each other belong together.
 * @param before as written, with its punctuation
 * @param after as written
 */
export const bondBetween = (before: string, after: string, phrases: Phrases): Bond =>
  bondOf(factsOf(before, phrases), factsOf(after, phrases));

function bondOf(a: WordFacts, b: WordFacts): Bond {
  // “Mr.” ends no sentence.
  if ((a.kinds & kind.titles) !== 0 && b.isCapital) return 'close';
  if (a.ends !== null) return a.ends;
  if (a.bare === '' || b.bare === '') return 'none';
  const introduces = (b.kinds & kind.conjunctions) !== 0;
  if ((a.kinds & kind.conjunctions) !== 0 && !introduces) return 'close';
  if (a.isFigure || (a.kinds & kind.numbers) !== 0) return bondOfNumber(b);
  if ((a.kinds & leaning) !== 0) return 'close';
  if (introduces) return 'phrase';
  if (a.isCapital && b.isCapital) return 'close';
  if ((a.kinds & kind.auxiliaries) !== 0)
    return (b.kinds & (kind.determiners | kind.prepositions)) !== 0 ? 'loose' : 'close';
  if ((a.kinds & kind.subjects) !== 0) return 'close';
  if (a.isAdjective) return (b.kinds & small) !== 0 ? 'none' : 'close';
  if ((b.kinds & kind.prepositions) !== 0) return 'phrase';
  return (b.kinds & kind.negations) !== 0 ? 'loose' : 'none';
}

/** A number belongs to what it counts: “7 boats”, “half past”, “two other gates”; not to “and”, “at”, “they” or “when”. */
function bondOfNumber(b: WordFacts): Bond {
  if ((b.kinds & (kind.units | kind.counted)) !== 0) return 'close';
  if ((b.kinds & (kind.conjunctions | kind.prepositions)) !== 0) return 'phrase';
  return (b.kinds & notCounted) !== 0 ? 'none' : 'close';
}

/**
 * Bonds after each word of a text; the last has none. Inside brackets everything belongs together, as
 * does a sound note.
 */
export function bondsOf(words: readonly string[], phrases: Phrases): Bond[] {
  const facts = words.map((word) => factsOf(word, phrases));
  let depth = 0;
  return facts.map((here, i) => {
    if (here.hasBracket)
      for (const sign of words[i] ?? '') {
        if (sign === '[' || sign === '(') depth++;
        else if ((sign === ']' || sign === ')') && depth > 0) depth--;
      }
    const next = facts[i + 1];
    if (!next) return 'sentence';
    return depth > 0 ? 'close' : bondOf(here, next);
  });
}

/** How far apart two pronunciations are. Phones are those of ARPAbet, without stress. */
import { min } from 'd3-array';

/** What a consonant is made of: enough to tell which are easily taken for each other. */
interface Consonant {
  readonly manner: string;
  readonly place: string;
  readonly voiced: boolean;
}

// The classes of the International Phonetic Association’s chart, as ARPAbet spells them (from memory).
const consonants: Readonly<Record<string, string>> = {
  stop: 'P:lip- B:lip+ T:ridge- D:ridge+ K:back- G:back+',
  fricative: 'F:lip- V:lip+ TH:tooth- DH:tooth+ S:ridge- Z:ridge+ SH:palate- ZH:palate+ HH:throat-',
  affricate: 'CH:palate- JH:palate+',
  nasal: 'M:lip+ N:ridge+ NG:back+',
  glide: 'L:ridge+ R:palate+ W:lip+ Y:palate+',
};

/**
 * Where vowels begin and end: their first two formants in Hz. Those that stay are the averages of men in
 * Peterson and Barney, “Control Methods Used in a Study of the Vowels” (1952), from memory; those that
 * glide go from one of these to another.
 */
const steady = {
  IY: [270, 2290],
  IH: [390, 1990],
  EH: [530, 1840],
  AE: [660, 1720],
  AA: [730, 1090],
  AO: [570, 840],
  UH: [440, 1020],
  UW: [300, 870],
  AH: [640, 1190],
  ER: [490, 1350],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;
const gliding: Readonly<Record<string, readonly [keyof typeof steady, keyof typeof steady]>> = {
  EY: ['EH', 'IY'],
  AY: ['AA', 'IH'],
  OY: ['AO', 'IH'],
  OW: ['AO', 'UW'],
  AW: ['AA', 'UH'],
};

/** A frequency in Hz as ears space them, in Bark (Traunmüller 1990). */
const bark = (hertz: number): number => (26.81 * hertz) / (1960 + hertz) - 0.53;
/** Where a vowel begins and ends: four figures in Bark. */
const path = (from: keyof typeof steady, to: keyof typeof steady): readonly number[] =>
  [...steady[from], ...steady[to]].map(bark);
const vowels = new Map<string, readonly number[]>([
  ...(Object.keys(steady) as (keyof typeof steady)[]).map((name) => [name, path(name, name)] as const),
  ...Object.entries(gliding).map(([name, [from, to]]) => [name, path(from, to)] as const),
]);

const phones = new Map<string, Consonant | readonly number[]>(vowels);
for (const [manner, list] of Object.entries(consonants))
  for (const each of list.split(' ')) {
    const [name = '', place = ''] = each.split(':');
    phones.set(name, { manner, place: place.slice(0, -1), voiced: place.endsWith('+') });
  }

/** The names of all phones, each with a number of its own. */
const phoneNames: readonly string[] = [...phones.keys()];
const numbers = new Map(phoneNames.map((name, i) => [name, i]));

/** What it costs to hear one phone for another: 0 for the same, 1 for two that have nothing in common. */
function costBetween(a: Consonant | readonly number[], b: Consonant | readonly number[]): number {
  if ('manner' in a && 'manner' in b) {
    const apart =
      (a.manner === b.manner ? 0 : 0.3) + (a.place === b.place ? 0 : 0.3) + (a.voiced === b.voiced ? 0 : 0.2);
    return apart === 0 ? 0.15 : Math.min(1, apart + 0.05);
  }
  if ('manner' in a || 'manner' in b) return 1;
  const [f1 = 0, f2 = 0, g1 = 0, g2 = 0] = a.map((at, i) => at - (b[i] ?? 0));
  return Math.min(0.8, 0.1 + 0.15 * ((Math.hypot(f1, f2) + Math.hypot(g1, g2)) / 2));
}

const many = phoneNames.length;
const costs = new Float64Array(many * many);
for (let a = 0; a < many; a++)
  for (let b = 0; b < many; b++) {
    const [one, two] = [phones.get(phoneNames[a] ?? ''), phones.get(phoneNames[b] ?? '')];
    if (one && two && a !== b) costs[a * many + b] = costBetween(one, two);
  }

/** What it costs that a phone is there on one side only: a weak one is easily missed. */
const weak = new Set(['AH', 'IH', 'HH', 'T', 'D', 'R', 'L', 'N', 'DH', 'V'].map((p) => numbers.get(p)));
const missing = Float64Array.from({ length: many }, (_, i) => (weak.has(i) ? 0.35 : 0.8));
const leastMissing = min(missing) ?? 0;

/** Phones as numbers, of a pronunciation as dictionaries have it: `R EH1 D`. Signs that are no phone are passed over. */
export function phonesOf(pronunciation: string): Uint8Array {
  const found: number[] = [];
  for (const part of pronunciation.split(' ')) {
    const number = numbers.get(part.replace(/\d$/, ''));
    if (number !== undefined) found.push(number);
  }
  return Uint8Array.from(found);
}

/**
 * How far apart two pronunciations sound: the least that changes the one into the other cost in all, by
 * the programme of Wagner and Fischer.
 * @param most beyond this Infinity is given, as soon as that is plain
 */
export function soundDistance(a: Uint8Array, b: Uint8Array, most = Infinity): number {
  if (Math.abs(a.length - b.length) * leastMissing > most) return Infinity;
  let row = new Float64Array(b.length + 1);
  for (let j = 0; j < b.length; j++) row[j + 1] = (row[j] ?? 0) + (missing[b[j] ?? 0] ?? 1);
  for (const phone of a) {
    const next = new Float64Array(b.length + 1);
    const gone = missing[phone] ?? 1;
    next[0] = (row[0] ?? 0) + gone;
    let least = next[0];
    for (let j = 0; j < b.length; j++) {
      const other = b[j] ?? 0;
      const cost = Math.min(
        (row[j] ?? 0) + (costs[phone * many + other] ?? 1),
        (row[j + 1] ?? 0) + gone,
        (next[j] ?? 0) + (missing[other] ?? 1),
      );
      next[j + 1] = cost;
      if (cost < least) least = cost;
    }
    if (least > most) return Infinity;
    row = next;
  }
  const distance = row[b.length] ?? Infinity;
  return distance > most ? Infinity : distance;
}

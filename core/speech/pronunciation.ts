/** How far apart two pronunciations are. Phones are those of ARPAbet, without stress. */

/** What a phone is made of: enough to tell which are easily taken for each other. */
interface Phone {
  readonly vowel: boolean;
  /** Manner of a consonant, height of a vowel. */
  readonly manner: string;
  /** Place of a consonant, depth of a vowel. */
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
const vowels: Readonly<Record<string, string>> = {
  high: 'IY:front IH:front UH:back UW:back',
  middle: 'EH:front EY:front AH:middle ER:middle OW:back OY:back',
  low: 'AE:front AY:middle AA:back AO:back AW:middle',
};

const phones = new Map<string, Phone>();
const listed = (lists: Readonly<Record<string, string>>): { manner: string; name: string; place: string }[] =>
  Object.entries(lists).flatMap(([manner, list]) =>
    list.split(' ').map((each) => ({ manner, name: each.split(':')[0] ?? '', place: each.split(':')[1] ?? '' })),
  );
for (const { manner, name, place } of listed(consonants))
  phones.set(name, { vowel: false, manner, place: place.slice(0, -1), voiced: place.endsWith('+') });
for (const { manner, name, place } of listed(vowels)) phones.set(name, { vowel: true, manner, place, voiced: true });

/** The names of all phones, each with a number of its own. */
export const phoneNames: readonly string[] = [...phones.keys()];
const numbers = new Map(phoneNames.map((name, i) => [name, i]));

/** What it costs to hear one phone for another: 0 for the same, 1 for two that have nothing in common. */
function costBetween(a: Phone, b: Phone): number {
  if (a.vowel !== b.vowel) return 1;
  const apart = (a.manner === b.manner ? 0 : 0.3) + (a.place === b.place ? 0 : 0.3) + (a.voiced === b.voiced ? 0 : 0.2);
  return apart === 0 ? 0.15 : Math.min(1, a.vowel ? apart * 0.8 : apart + 0.05);
}

const many = phoneNames.length;
const costs = new Float64Array(many * many);
for (let a = 0; a < many; a++)
  for (let b = 0; b < many; b++) {
    const [one, two] = [phones.get(phoneNames[a] ?? ''), phones.get(phoneNames[b] ?? '')];
    if (one && two && a !== b) costs[a * many + b] = costBetween(one, two);
  }

/** What it costs that a phone is there on one side only: a weak one is easily missed. */
const weak = new Set(['AH', 'IH', 'HH', 'T', 'D', 'R', 'L', 'N'].map((p) => numbers.get(p)));
const missing = Float64Array.from({ length: many }, (_, i) => (weak.has(i) ? 0.5 : 0.8));

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
  if (Math.abs(a.length - b.length) * 0.5 > most) return Infinity;
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

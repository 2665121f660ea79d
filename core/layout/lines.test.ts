import fc from 'fast-check';
import { shippedStyle } from '../style/shipped.ts';
import type { HouseStyle } from '../style/style.ts';
import { bondsOf, phrasesOf } from '../languages/bonds.ts';
import { bestLines, layoutCost, lengthOf, wordsMeasured } from './lines.ts';

function styleNamed(id: string): HouseStyle {
  const style = shippedStyle(id);
  if (!style) throw new Error(`${id} ships.`);
  return style;
}
const lecture = styleNamed('lecture-38');
const english = phrasesOf('en');

function lines(text: string, style = lecture): string[] {
  const words = text.split(' ');
  const opens = new Uint8Array(words.length);
  const { breaks } = bestLines(wordsMeasured(words, bondsOf(words, english), opens, style), 0, words.length, style);
  const stops = [0, ...breaks, words.length];
  return stops.slice(1).map((to, n) => words.slice(stops[n], to).join(' '));
}

describe('the lines of a caption', () => {
  // The principle is that of the Captioning Key of the Described and Captioned Media Program (from memory); the sentences are ours.
  it.each<[what: string, good: string[]]>([
    ['a modifier stays with what it modifies', ['Nobody had ever opened', 'the big upper gate alone.']],
    ['a preposition with its phrase', ['The boats come down slowly', 'from the lock above the mill.']],
    ['a first name with a last name', ['The gate was shut that evening', 'by Wren Tollen and her son.']],
    ['a title with a name', ['In the end they had to wake', 'Captain Hale to shut the gate.']],
    ['an auxiliary with its verb', ['By the morning the water', 'had fallen below the sill.']],
    ['a conjunction with what it introduces', ['We wait until it is level', 'and then we open the gate.']],
    ['a clause before a comma', ['When the bell has rung,', 'nobody may be on the gate.']],
    ['a sentence with itself', ['Mind the edge.', 'It is wet and dark tonight.']],
  ])('%s', (_, good) => expect(lines(good.join(' '))).toEqual(good));

  it('one line where it is enough, the first one the shorter where there is a choice', () => {
    expect(lines('It is level.')).toEqual(['It is level.']);
    const [first = '', second = ''] = lines('Slowly slowly water water slowly water slowly water slowly');
    expect(first.length).toBeLessThanOrEqual(second.length);
  });

  it('keeps a sound note whole', () => {
    expect(lines('Mind it. [the lower gate creaks] It is opening.')).toContainEqual(
      expect.stringContaining('[the lower gate creaks]'),
    );
  });

  const word = fc.constantFrom(
    'the',
    'gate',
    'is',
    'shut,',
    'and',
    'water',
    'falls.',
    'of',
    'Tollen',
    'Reach',
    'very',
    'slowly',
    '3',
    'metres',
  );
  it('costs what the best of all possible layouts costs', () => {
    for (const style of ['lecture-38', 'upright-17', 'grid-32'].map(styleNamed)) {
      fc.assert(
        fc.property(
          fc.array(word, { minLength: 1, maxLength: 10 }),
          fc.array(fc.boolean(), { minLength: 10, maxLength: 10 }),
          (text, dashes) => {
            const opens = Uint8Array.from(text, (_, i) => (i > 0 && dashes[i] === true && i % 4 === 0 ? 1 : 0));
            const words = wordsMeasured(text, bondsOf(text, english), opens, style);
            const found = bestLines(words, 0, text.length, style);
            expect(found.cost).toBeCloseTo(layoutCost(words, 0, text.length, found.breaks, style), 6);
            let least = Infinity;
            for (let set = 0; set < 2 ** (text.length - 1); set++) {
              const breaks = text.flatMap((_, i) => (i > 0 && ((set >> (i - 1)) & 1) === 1 ? [i] : []));
              least = Math.min(least, layoutCost(words, 0, text.length, breaks, style));
            }
            expect(found.cost).toBeCloseTo(least, 6);
          },
        ),
        { numRuns: 60 },
      );
    }
  });

  it.each([
    ['one letter', 'a'],
    ['one word of 3,000 letters', 'x'.repeat(3000)],
    ['3,000 words', Array(3000).fill('water').join(' ')],
  ])('lays out %s', (_, text) => {
    const words = text.split(' ');
    const all = wordsMeasured(words, bondsOf(words, english), new Uint8Array(words.length), lecture);
    const { breaks } = bestLines(all, 0, words.length, lecture);
    const stops = [0, ...breaks, words.length];
    stops.slice(1).forEach((to, n) => {
      const from = stops[n] ?? 0;
      expect(to - from === 1 || lengthOf(all, from, to, lecture) <= 38).toBe(true);
    });
  });
});

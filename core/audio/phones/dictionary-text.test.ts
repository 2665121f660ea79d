import { dictionary } from 'cmu-pronouncing-dictionary';
import { dictionaryText, lookUp } from './dictionary-text.ts';

describe('a pronouncing dictionary as one text', () => {
  it('gives every word of the CMU dictionary as the dictionary has it', () => {
    const text = dictionaryText(dictionary);
    const unlike = Object.entries(dictionary).filter(([word, said]) => lookUp(text, word) !== said);
    expect(unlike).toEqual([]);
    expect(Object.keys(dictionary).length).toBeGreaterThan(130_000);
  });

  it('has no word that the dictionary has not', () => {
    const text = dictionaryText({ a: 'AH0', lock: 'L AA1 K', 'lock(2)': 'L AO1 K', locks: 'L AA1 K S' });
    for (const word of ['', 'A', 'loc', 'lock(3)', 'lockz', 'z', 'constructor', 'AH0', 'a AH0'])
      expect([word, lookUp(text, word)]).toEqual([word, undefined]);
    expect(['a', 'lock', 'lock(2)', 'locks'].map((word) => lookUp(text, word))).toEqual([
      'AH0',
      'L AA1 K',
      'L AO1 K',
      'L AA1 K S',
    ]);
  });

  it('finds nothing in an empty one', () => {
    expect(lookUp(dictionaryText({}), 'lock')).toBeUndefined();
  });
});

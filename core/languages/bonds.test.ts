import { describe, expect, it } from '@jest/globals';
import { bondBetween, phrasesOf, type Bond } from './bonds.ts';

const english = phrasesOf('en');

describe('how closely two words belong together', () => {
  // A number and what it counts stay on one line (the Captioning Key of the Described and Captioned Media Program keeps
  // modifier and modified together; from memory).
  it.each<[string, string, Bond]>([
    ['7', 'boats', 'close'],
    ['seven', 'boats', 'close'],
    ['20', 'per', 'close'],
    ['9', 'o’clock', 'close'],
    ['two', 'other', 'close'],
    ['7', 'and', 'phrase'],
    ['1984', 'when', 'phrase'],
    ['1984', 'because', 'phrase'],
    ['12', 'of', 'phrase'],
    ['12', 'at', 'phrase'],
    ['7', 'the', 'none'],
    ['7', 'they', 'none'],
    ['7', 'it', 'none'],
    ['1984', 'which', 'none'],
    ['1984', 'is', 'none'],
    ['7,', 'boats', 'clause'],
    ['7.', 'Boats', 'sentence'],
    ['about', '7', 'close'],
    ['gate', '7', 'none'],
  ])('%s %s: %s', (a, b, bond) => {
    expect(bondBetween(a, b, english)).toBe(bond);
  });
});

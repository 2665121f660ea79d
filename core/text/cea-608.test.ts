import { notInCea608 } from './cea-608.ts';

/**
 * 47 CFR 79.101 (f), “Character codes” and (g) “Special characters” (formerly 15.119), from memory: codes
 * 20 to 7f are ASCII but for ten signs, and 1130 to 113f are sixteen more.
 */
const instead: readonly (readonly [string, string])[] = [
  ['*', 'á'],
  ['\\', 'é'],
  ['^', 'í'],
  ['_', 'ó'],
  ['`', 'ú'],
  ['{', 'ç'],
  ['|', '÷'],
  ['}', 'Ñ'],
  ['~', 'ñ'],
];
const special = '®°½¿™¢£♪àèâêîôû';

describe('the characters of CEA-608', () => {
  it('are ASCII but for those that others stand in for', () => {
    for (let code = 0x20; code < 0x7f; code++) {
      const sign = String.fromCharCode(code);
      expect([sign, notInCea608(sign)]).toEqual([sign, instead.some(([gone]) => gone === sign) ? [sign] : []]);
    }
    for (const [, put] of instead) expect(notInCea608(put)).toEqual([]);
    expect(notInCea608('\x7f')).toEqual(['\x7f']);
  });

  it('have sixteen special ones, a clear space counted', () => {
    expect(special).toHaveLength(15);
    expect(notInCea608(special)).toEqual([]);
  });

  it('take the apostrophe either way, and say each wrong sign once', () => {
    expect(notInCea608("it's and it’s")).toEqual([]);
    expect(notInCea608('“so”\n—“so” 水 👋')).toEqual(['“', '”', '—', '水', '👋']);
  });
});

import { signEndsSentence, openingCapital, turnCapital, type Resized } from './capitals.ts';

const made = (text: string, change: Resized | null): string =>
  change ? text.slice(0, change.from) + change.insert + text.slice(change.to) : text;

describe('endsSentence', () => {
  it.each([
    ['we wait. you do', 8, true],
    ['do we wait? you do', 11, true],
    ['“we wait”. you do', 10, true],
    ['lock 4. the gate', 7, true],
    ['we wait.', 8, true],
    ['3.5 metres', 2, false],
    ['wait... you', 7, false],
    ['wait.. you', 6, false],
    ['Dr. north', 3, false],
    ['mr. north', 3, false],
    ['at 9 a.m. the gate', 9, false],
    ['J. north', 2, false],
    [' . you', 2, false],
    ['wait, you', 5, false],
    ['see night.school', 10, false],
  ])('%s at %i: %s', (text, at, ends) => {
    expect(signEndsSentence(text, at, 'en')).toBe(ends);
  });
});

describe('openingCapital', () => {
  it.each([
    ['wait. you do', 5, 'wait. You do'],
    ['wait.\n“you do', 5, 'wait.\n“You do'],
    ['wait. - you do', 5, 'wait. - You do'],
    ['you do', 0, 'You do'],
    ['¿dónde?', 0, '¿Dónde?'],
    ['écluse', 0, 'Écluse'],
    ['[water rushing]', 0, '[water rushing]'],
    ['You do', 0, 'You do'],
    ['12 gates', 0, '12 gates'],
    ['السلام', 0, 'السلام'],
    ['', 0, ''],
  ])('of %s from %i is %s', (text, from, becomes) => {
    expect(made(text, openingCapital(text, from, 'en'))).toBe(becomes);
  });
  it('takes a language that is none for English', () => {
    expect(turnCapital('the gate', 4, 'abcd')).toEqual({ from: 4, to: 5, insert: 'G' });
  });

  it('knows the letters of a language (Unicode SpecialCasing)', () => {
    expect(made('iyi', openingCapital('iyi', 0, 'tr'))).toBe('İyi');
    expect(made('i', openingCapital('i', 0, '?!'))).toBe('I');
    expect(made('ßo', openingCapital('ßo', 0, 'de'))).toBe('Sso');
  });
});

describe('turnCapital', () => {
  it.each([
    ['the tollen reach', 6, 'the Tollen reach'],
    ['the tollen reach', 10, 'the Tollen reach'],
    ['the Tollen reach', 10, 'the tollen reach'],
    ['the  tollen', 4, 'the  Tollen'],
    ["it's level", 2, "It's level"],
    ['“gate', 0, '“Gate'],
    ['4 gates', 0, '4 Gates'],
    ['وقت', 0, 'وقت'],
    ['wait ', 5, 'wait '],
  ])('in %s at %i gives %s', (text, at, becomes) => {
    expect(made(text, turnCapital(text, at, 'en'))).toBe(becomes);
  });
});

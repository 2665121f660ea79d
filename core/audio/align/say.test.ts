import { spokenLanguage } from '../../languages/spoken.ts';
import { readingsOf, saidIn } from './say.ts';

const ways = (language: string, token: string): string[] =>
  readingsOf(token, spokenLanguage(language)).map((r) => r.join(' '));

describe('a word as it is said', () => {
  it.each([
    ['en', '25', 'twenty five'],
    ['en', '1,250', 'one thousand two hundred and fifty'],
    ['en', '3.14', 'three point one four'],
    ['en', '1984', 'nineteen eighty four'],
    ['en', '2005', 'two thousand and five'],
    ['en', '1980s', 'nineteen eighties'],
    ['en', '21st', 'twenty first'],
    ['en', '10:30', 'ten thirty'],
    ['en', '£3.50', 'three pounds fifty'],
    ['en', '$1.2m', 'one point two million dollars'],
    ['en', '5km', 'five kilometres'],
    ['en', '-5', 'minus five'],
    ['en', '10–20', 'ten to twenty'],
    ['en', 'Dr.', 'doctor'],
    ['en', 'constructor', 'constructor'],
    ['en', '__proto__', 'proto'],
    ['en', '5toString', 'five tostring'],
    ['en', 'BBC', 'b. b. c.'],
    ['en', 'NASA', 'nasa'],
    ['en', 'R&D', 'r. and d.'],
    ['en', 'COVID-19', 'covid nineteen'],
    ['en', 'dana@tollen.org', 'dana at tollen dot org'],
    ['en', '(it’s),', "it's"],
    ['fr', '1984', 'mille neuf cent quatre vingt quatre'],
    ['fr', '3,5', 'trois virgule cinq'],
    ['fr', '1er', 'premier'],
    ['fr', '14h30', 'quatorze heures trente'],
    ['fr', 'Mme', 'madame'],
    ['es', '25', 'veinticinco'],
  ])('%s: %s can be “%s”', (language, token, expected) => expect(ways(language, token)).toContain(expected));

  it('has the readings that are usual, for the sound to choose from', () => {
    expect(ways('en', '2015')).toEqual(expect.arrayContaining(['twenty fifteen', 'two thousand and fifteen']));
    expect(ways('en', '150')).toEqual(expect.arrayContaining(['one hundred and fifty', 'one fifty']));
  });
  it('is nothing where only signs stand', () => {
    for (const token of ['—', '…', '♪', '"', '-']) expect(ways('en', token)).toEqual([]);
  });
});

describe('the words of a caption', () => {
  const said = (text: string, language = 'en'): string[] =>
    saidIn({ text, speakers: [] }, language).map((w) => text.slice(w.from, w.to));
  it('leave out labels and sound notes, and keep their places', () => {
    expect(said('TRAINER: Look [horn]\nat the lamp—now.')).toEqual(['Look', 'at', 'the', 'lamp', 'now.']);
    expect(said('(water runs)')).toEqual([]);
  });
  it('take a unit by its number, and a number with its thousands apart', () => {
    expect(saidIn({ text: 'Use 5 kg.', speakers: [] }, 'en').at(-1)?.readings[0]).toEqual(['kilograms']);
    expect(said('Il y a 1\u202f250 bateaux.', 'fr')).toContain('1\u202f250');
  });
});

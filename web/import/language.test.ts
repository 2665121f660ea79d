import { languageFor } from './language.ts';

it.each([
  ['what the file says', { language: 'fr', languageGuess: 'fr' }, 'fr'],
  ['a guess of another language', { language: null, languageGuess: 'ar' }, 'ar'],
  ['a guess with a region', { language: null, languageGuess: 'en-US' }, 'en-US'],
  ['a guess of the same language', { language: null, languageGuess: 'en' }, 'en-GB'],
  ['no guess', { language: null, languageGuess: null }, 'en-GB'],
])('%s', (_, file, offered) => {
  expect(languageFor(file, 'en-GB')).toBe(offered);
});

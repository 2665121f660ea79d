import { fileName, plainName } from './naming.ts';

describe('fileName', () => {
  it.each([
    ['{name}.{language}_{REGION}.srt', 'en-GB', 'working-a-lock.en_GB.srt'],
    ['{name}.{language}_{REGION}.srt', 'cy', 'working-a-lock.cy.srt'],
    ['{name}.{language}.vtt', 'en-GB', 'working-a-lock.en-GB.vtt'],
  ])('%s for %s', (pattern, language, expected) =>
    expect(fileName(pattern, 'Working a lock', language)).toBe(expected),
  );

  it('gives a name every file system takes', () => {
    expect(plainName('../..\\Lock 3: "after/dark"?')).toBe('lock-3-after-dark');
    expect(plainName(' \u0000 ')).toBe('captions');
    expect(plainName('夜の水門')).toBe('夜の水門');
  });
});

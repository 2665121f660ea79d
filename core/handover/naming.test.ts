import { fileName, plainName } from './naming.ts';

describe('fileName', () => {
  it.each([
    ['{name}.{language}_{REGION}.srt', 'en-GB', 'working-a-lock.en_GB.srt'],
    ['{name}.{language}_{REGION}.srt', 'cy', 'working-a-lock.cy.srt'],
    ['{name}.{language}.vtt', 'en-GB', 'working-a-lock.en-GB.vtt'],
  ])('%s for %s', (pattern, language, expected) =>
    expect(fileName(pattern, 'Working a lock', language)).toBe(expected),
  );

  it('cuts no character in two and takes signs as they are', () => {
    expect(plainName(`${'a'.repeat(79)}🔒 lock`)).toBe('a'.repeat(79));
    expect(plainName('\ud83d cut')).not.toMatch(/[\ud800-\udfff]/);
    expect(encodeURIComponent(fileName('{name}.{language}.vtt', 'Lock $& and $1', 'en'))).toBe(
      'lock-%24%26-and-%241.en.vtt',
    );
  });

  it('gives a name every file system takes', () => {
    expect(plainName('../..\\Lock 3: "after/dark"?')).toBe('lock-3-after-dark');
    expect(plainName(' \u0000 ')).toBe('captions');
    expect(plainName('夜の水門')).toBe('夜の水門');
  });
});

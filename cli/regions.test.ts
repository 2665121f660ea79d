import { readFileSync } from 'node:fs';
import { at } from './terminal-for-tests.ts';

describe('fenwix regions', () => {
  const wav = new Uint8Array(readFileSync('fixtures/speech/night-school.wav'));

  it('gives where speech is in milliseconds, and says it on the clock', () => {
    const { length, speech, sound } = JSON.parse(at({ 'a.wav': wav }, 'regions', 'a.wav', '--json').said) as {
      length: number;
      speech: { start: number; end: number }[];
      sound: unknown[];
    };
    expect([length, speech.length, sound]).toEqual([7993, 3, []]);
    expect(at({ 'a.wav': wav }, 'regions', 'a.wav').said).toMatch(
      /^a\.wav: 00:07\.99, 3 stretches of speech\n00:01\.50 – 00:03\.\d\d  speech\n/,
    );
  });

  it('says what it cannot read', () => {
    const { ending, muttered } = at({ 'a.flac': new Uint8Array(40) }, 'regions', 'a.flac');
    expect(ending).toBe(2);
    expect(muttered).toContain('WAV files of 16-bit samples');
  });

  it.each([
    ['rates that cannot be', 24, 4_294_967_295, 'says that its rate is 4294967295 Hz'],
    ['rates that nobody records at', 24, 1, 'says that its rate is 1 Hz'],
  ])('says of a header with %s that it is damaged', (_, place, value, says) => {
    const odd = wav.slice();
    new DataView(odd.buffer).setUint32(place, value, true);
    const { ending, muttered } = at({ 'a.wav': odd }, 'regions', 'a.wav');
    expect(ending).toBe(2);
    expect(muttered).toContain(says);
  });

  it('hears a file that does not say how long it is, and says of one that ends with its header that it is empty', () => {
    const header = 44;
    const open = wav.slice();
    new DataView(open.buffer).setUint32(header - 4, 0, true);
    expect(at({ 'a.wav': open }, 'regions', 'a.wav').said).toContain('3 stretches of speech');
    const { ending, muttered } = at({ 'a.wav': open.slice(0, header) }, 'regions', 'a.wav');
    expect(ending).toBe(2);
    expect(muttered).toContain('without any samples');
  });

  it('lets captions be checked against the sound, and says where they were not', () => {
    const early = '1\n00:00:00,100 --> 00:00:01,300\nThe gate is shut.\n';
    expect(at({ 'a.srt': early }, 'check', 'a.srt').said).toContain('Not held against the sound (2 rules)');
    const { said } = at({ 'a.srt': early, 'a.wav': wav }, 'check', 'a.srt', '--sound', 'a.wav');
    expect(said).toContain('Speech is heard in 0 % of its time');
    expect(said).toMatch(/2\.\d\d s of speech after this caption has no caption/);
    expect(said).not.toContain('Not held against');
  });
});

import { readFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { wavForm } from '../core/audio/wav.ts';
import { CannotDo } from './arguments.ts';
import { run } from './commands.ts';
import { recogniserFor } from './recogniser.ts';

/** The demo’s Fog signals at 8 kHz, and when its sentences begin (its true script). */
const wav = readFileSync('fixtures/recordings/fog-signals.wav');
const script = JSON.parse(readFileSync('demo/recordings/fog-signals/true-script.json', 'utf8')) as {
  readonly sentences: readonly { readonly text: string; readonly start: number; readonly end: number }[];
};
const srtOf = (by: number): string =>
  script.sentences
    .map(({ text, start, end }, i) => {
      const clock = (ms: number): string => new Date(ms + by).toISOString().slice(11, 23).replace('.', ',');
      return `${String(i + 1)}\n${clock(start)} --> ${clock(end)}\n${text}\n`;
    })
    .join('\n');

/** Half a minute at 8 kHz. @param at the loudness at a moment in seconds, -1 to 1 */
function soundOf(at: (seconds: number) => number): Uint8Array {
  const samples = Int16Array.from({ length: 30 * 8000 }, (_, i) => Math.round(at(i / 8000) * 32_767));
  const begins = wavForm(wav, wav.length)?.at ?? NaN;
  const bytes = Buffer.concat([wav.subarray(0, begins), Buffer.from(samples.buffer)]);
  bytes.writeUInt32LE(bytes.length - 8, 4);
  bytes.writeUInt32LE(samples.byteLength, begins - 4);
  return bytes;
}
/** Chords of three sines, a new one each half second. */
const music = soundOf((t) => {
  const root = 220 * 2 ** (([0, 5, 7, 3][Math.floor(t * 2) % 4] ?? 0) / 12);
  const fades = Math.exp(-3 * (t % 0.5));
  return [1, 1.26, 1.5].reduce((sum, of) => sum + 0.2 * fades * Math.sin(2 * Math.PI * root * of * t), 0);
});
/** Fog signals, said to have half the rate it has: it plays at half its speed. */
const halfRate = Uint8Array.from(wav);
new DataView(halfRate.buffer).setUint32(24, 4000, true);
new DataView(halfRate.buffer).setUint32(28, 8000, true);
const sounds: Readonly<Record<string, Uint8Array>> = {
  'fog.wav': wav,
  'silence.wav': soundOf(() => 0),
  'music.wav': music,
  'half-rate.wav': halfRate,
};

/** `fenwix place` over files in memory, with the real recogniser. */
async function place(files: Readonly<Record<string, string>>, ...words: string[]) {
  const written: Record<string, string> = {};
  let [said, muttered] = ['', ''];
  const ending = await run(['place', ...words], {
    read(path) {
      const text = files[path];
      if (text === undefined) throw new CannotDo(`${path} could not be read: there is no such file.`);
      return new TextEncoder().encode(text);
    },
    open: (path, use) => {
      const bytes = sounds[path] ?? new TextEncoder().encode(files[path] ?? '');
      return use({ size: bytes.length, read: (from, length) => bytes.subarray(from, from + length) });
    },
    same: (a, b) => a === b,
    asWav: () => null,
    recogniser: (model) =>
      recogniserFor(
        model,
        readFileSync(`core/audio/phones/letters-${model.model}.json`, 'utf8'),
        pathToFileURL('node_modules/soundswallower/soundswallower.node.js').href,
      ),
    voiceNet: () => new Uint8Array(readFileSync('core/audio/voice-net.bin')).buffer,
    write: (path, text) => (written[path] = text),
    say: (text) => (said += text),
    mutter: (text) => (muttered += text),
  });
  return { ending, said, muttered, written };
}
/** Begins of captions in SRT, in ms. */
const begins = (srt: string): number[] =>
  [...srt.matchAll(/(\d+):(\d+):(\d+),(\d+) -->/g)].map(
    ([, h, m, s, ms]) => ((Number(h) * 60 + Number(m)) * 60 + Number(s)) * 1000 + Number(ms),
  );

describe('fenwix place', () => {
  it('puts late captions back where their words are said, with the times of the words', async () => {
    const { ending, said, written } = await place(
      { 'late.srt': srtOf(20_000) },
      ...'--audio fog.wav --captions late.srt --language en-GB out.srt --words out.ctm --json'.split(' '),
    );
    expect(ending).toBe(0);
    expect(JSON.parse(said)).toMatchObject({ moved: 8, left: [], median: expect.closeTo(-20_000, -2) as number });
    const off = begins(written['out.srt'] ?? '').map((start, i) => Math.abs(start - (script.sentences[i]?.start ?? 0)));
    expect(off).toHaveLength(8);
    expect(Math.max(...off)).toBeLessThan(100);
    expect(written['out.ctm']).toMatch(/^late 1 0\.\d+ 0\.\d+ Fog /);
  });

  it('makes captions of a bare text', async () => {
    const text = script.sentences.map((s) => s.text).join(' ');
    const { ending, written } = await place(
      { 'fog.txt': text },
      ...'--audio fog.wav --text fog.txt --language en-GB out.srt'.split(' '),
    );
    expect(ending).toBe(0);
    const srt = written['out.srt'] ?? '';
    const words = (of: string): string =>
      of
        .replace(/^\d+$|^.*-->.*$/gm, '')
        .replace(/\s+/g, ' ')
        .trim();
    expect(words(srt)).toBe(text);
    // Sentences begin where they are said.
    const starts = begins(srt);
    for (const { start } of script.sentences.slice(0, 3))
      expect(Math.min(...starts.map((s) => Math.abs(s - start)))).toBeLessThan(100);
  });

  it('refuses words that are not said there, and writes nothing', async () => {
    const other = JSON.parse(readFileSync('demo/recordings/lock-after-dark/true-script.json', 'utf8')) as typeof script;
    const { ending, muttered, written } = await place(
      { 'lock.txt': other.sentences.map((s) => s.text).join(' ') },
      ...'--audio fog.wav --text lock.txt --language en-GB out.srt'.split(' '),
    );
    expect(ending).toBe(2);
    expect(muttered).toMatch(/do not match: \d+ % of the words were heard/);
    expect(written).toEqual({});
  });

  it.each(['silence', 'music', 'half-rate'])(
    'refuses what is no speech, or none any more, and writes nothing: %s',
    async (name) => {
      const { ending, muttered, written } = await place(
        { 'late.srt': srtOf(20_000) },
        ...`--audio ${name}.wav --captions late.srt --language en-GB out.srt`.split(' '),
      );
      expect(ending).toBe(2);
      expect(muttered).toMatch(/do not match: \d+ % of the words were heard/);
      expect(written).toEqual({});
    },
  );

  it('places what is said of a text twice as long as the sound, and tells what is not', async () => {
    const more = [
      'We keep the lower gates shut.',
      'You do not wave.',
      'There are three lamps to learn.',
      'White means yours.',
    ];
    const lines = [...script.sentences.map((s) => s.text), ...more, ...more.toReversed()];
    const { ending, said, muttered, written } = await place(
      { 'long.txt': lines.join('\n\n') },
      ...'--audio fog.wav --text long.txt --language en-GB out.srt --json'.split(' '),
    );
    expect(ending).toBe(0);
    const { moved, left } = JSON.parse(said) as {
      readonly moved: number;
      readonly left: readonly { readonly why: string }[];
    };
    expect([moved, left.length]).toEqual([8, 8]);
    // Nobody said it, so that any time of it would be made up.
    expect(written['out.srt']).not.toContain('There are three lamps');
    expect(muttered).toContain('8 captions are not timed and left out; --keep-untimed writes made-up times.');
  });

  it.each([
    [['--audio', 'fog.wav', '--text', 'a.txt', 'out.srt'], /a language were expected/],
    [['--audio', 'fog.wav', '--text', 'a.txt', '--language', 'cy', 'out.srt'], /no acoustic model for cy/],
    [['--audio', 'a.txt', '--text', 'a.txt', '--language', 'en', 'out.srt'], /sound of a.txt could not be read/],
  ])('says what is missing: %s', async (words, sentence) => {
    const { ending, muttered } = await place({ 'a.txt': 'Wait for the bell.' }, ...words);
    expect(ending).toBe(2);
    expect(muttered).toMatch(sentence);
  });
});

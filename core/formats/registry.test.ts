import { plainly } from './sheet.ts';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { asked, bytes, essence, countedId, noise, readAs, sheetOf, tracks, writeAs, type Kinds } from './arbitrary.ts';
import { withIds } from './cue.ts';
import { caption } from '../model/caption.ts';
import { Unreadable, type Format } from './format.ts';
import { formats, importCaptions, writable } from './registry.ts';
import { srt } from './srt/srt.ts';
import { ttml } from './ttml/ttml.ts';
import { webvtt } from './webvtt/webvtt.ts';

/** A small file of each format, as others write them. */
const samples: Readonly<Record<string, string>> = {
  srt: '1\n00:00:01,000 --> 00:00:02,000\na',
  vtt: 'WEBVTT\n\n00:01.000 --> 00:02.000\na',
  ttml: '<tt xmlns="http://www.w3.org/ns/ttml"><body><div><p begin="1s" end="2s">a</p></div></body></tt>',
  timed: '0:00:01.000,0:00:02.000\na\n',
  ctm: 'rec 1 1.00 0.25 hello 0.9\nrec 1 1.30 0.25 there 0.4\n',
  txt: 'Mind the edge, it is wet tonight.',
  html: '<p>Mind the edge</p>',
  json: writeAs(formats.find((f) => f.name === 'json') ?? srt, []).replace(
    '[\n\n]',
    `[${JSON.stringify({ ...readAs(srt, '1\n00:00:01,000 --> 00:00:02,000\na').captions[0], id: 'a' })}]`,
  ),
};

describe('what a file is', () => {
  it.each(formats.map((f) => [f.name, f] as const))('%s is found by its content', (name, { title }) => {
    const sample = samples[name] ?? '';
    expect([title, importCaptions(bytes(sample), asked).format]).toEqual([title, name]);
    expect(importCaptions(bytes(sample.replace(/\n/g, '\r\n')), asked).format).toBe(name);
    expect(importCaptions(bytes(`\ufeff${sample}`), asked).format).toBe(name);
  });

  it('can be told against what it looks like', () => {
    expect(importCaptions(bytes(samples['srt'] ?? ''), { ...asked, from: 'txt' }).format).toBe('txt');
    expect(() => importCaptions(bytes(samples['srt'] ?? ''), { ...asked, from: 'vtt' })).toThrow('WEBVTT');
  });

  it.each([
    ['programs', readFileSync('core/formats/registry.ts')],
    ['a table', bytes('a;b;c\n1;2;3\n')],
    ['JSON', bytes('{"captions": []}')],
    ['a web feed', bytes('<?xml version="1.0"?><rss></rss>')],
    ['noise', Uint8Array.from({ length: 5000 }, (_, i) => ((i * 7919) % 223) + 33)],
  ])('%s is none of them, and that is said in one sentence', (_, file) => {
    expect(() => importCaptions(file, asked)).toThrow(Unreadable);
    expect(() => importCaptions(file, asked)).toThrow(/^No caption format was recognised/);
  });
});

it('whatever the bytes are, a reader gives captions that can be kept, or one plain refusal', () => {
  const trial = (file: Uint8Array, from?: Format): void => {
    try {
      const { captions } = importCaptions(file, {
        ...asked,
        ...(from ? { from: from.name } : {}),
        rescue: true,
        unroll: true,
      });
      for (const c of captions) {
        expect(Number.isSafeInteger(c.start) && Number.isSafeInteger(c.end) && c.start >= 0 && c.end >= c.start).toBe(
          true,
        );
        expect(c.text).not.toContain('\r');
        for (const r of [...c.marks, ...c.speakers])
          expect(r.from >= 0 && r.from < r.to && r.to <= c.text.length).toBe(true);
        for (const [from, to] of c.words) expect(from >= 0 && from <= to && to <= c.text.length).toBe(true);
      }
    } catch (error) {
      expect(error).toBeInstanceOf(Unreadable);
      expect((error as Error).message).toMatch(/^[^\n]{10,400}$/);
    }
  };
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 400 }), (file) => trial(file)),
    { numRuns: 200 },
  );
  fc.assert(
    fc.property(noise, fc.constantFrom(undefined, ...formats), (text, from) => trial(bytes(text), from)),
    { numRuns: 600 },
  );
});

// What each format is written with is read again as it was, for every track it can hold.
describe.each<[Format, Kinds]>([
  [srt, { marks: ['italic', 'bold', 'underline', 'colour'], speakers: false }],
  [webvtt, { marks: ['italic', 'bold', 'underline', 'colour', 'language', 'class', 'ruby'], speakers: true }],
  [ttml, { marks: ['italic', 'bold', 'underline', 'language'], speakers: true }],
])('$title', (format, kinds) => {
  it('gives back what was written, and says beforehand that nothing is lost', () => {
    fc.assert(
      fc.property(tracks(kinds), (captions) => {
        expect(format.writer?.losses(sheetOf(captions), plainly)).toEqual([]);
        const { captions: back, warnings: mended } = readAs(format, writeAs(format, captions));
        expect(mended).toEqual([]);
        expect(back.map(essence)).toEqual(captions.map(essence));
      }),
    );
  });

  it('written twice is the same file', () => {
    fc.assert(
      fc.property(tracks(kinds), (captions) => {
        const once = writeAs(format, captions);
        const { captions: back, foreign } = readAs(format, once);
        expect(writeAs(format, withIds(back, countedId), { foreign })).toBe(once);
      }),
    );
  });
});

/** Whatever somebody may have typed: words, lines that look like times, bits of every format, odd signs. */
const anyLines = fc.oneof(
  noise,
  fc.string({ unit: 'binary', maxLength: 40 }),
  fc
    .array(
      fc.constantFrom(
        ...['1', '2', '7', '00:00:01,000 --> 00:00:02,000', '0:01 --> 0:02 x', '00:00:01,000 == 00:00:02,000'],
        ...['at 00:00:01,000 --> 00:00:02,000', '\ufeff0:0:1 → 0:0:2', ' 0:01 - - 0:02', '1:00->2:00', 'gate', '-->'],
        ...['00:00:01.000 --> 00:00:02.000 line:0', '<b>', '</p>', '<p begin="1s" end="2s">', '&', ''],
      ),
      { maxLength: 5 },
    )
    .map((lines) => lines.join('\n')),
);

/** No caption has line breaks other than one kind. */
const anyText = anyLines.map((text) => text.replaceAll('\r', ''));

it('holds as many captions as were written, whatever their texts, and says where a text does not come back', () => {
  const cued = writable.filter((f) => ['srt', 'vtt', 'ttml', 'json'].includes(f.name));
  fc.assert(
    fc.property(fc.array(anyText, { minLength: 1, maxLength: 4 }), fc.constantFrom(...cued), (texts, format) => {
      const captions = texts.map((text, i) =>
        caption({ id: `c${String(i)}`, start: i * 4000, end: i * 4000 + 2000, text }),
      );
      const sheet = sheetOf(captions);
      const losses = format.writer.losses(sheet, plainly);
      const empty = losses.find((l) => l.what === 'empty')?.count ?? 0;
      const file = format.writer.write(sheet, plainly);
      const back = empty === captions.length ? [] : format.read(file, { ...asked, rescue: false }).captions;
      expect(back.map((c) => c.start)).toHaveLength(captions.length - empty);
      if (losses.length === 0) expect(back.map((c) => c.text)).toEqual(texts);
    }),
    { numRuns: 2000 },
  );
});

it('a key that every object answers to is a key like any other, in what a file brought along and in its texts', () => {
  const file = JSON.stringify({
    fenwix: 'track',
    version: 1,
    title: 'Lock',
    language: 'en',
    foreign: null,
    captions: [{ ...caption({ id: 'a', start: 0, end: 2000, text: 'the constructor' }) }],
  }).replace(/"foreign":null/g, '"foreign":{"constructor":"a","toString":"b","__proto__":"c"}');
  const { captions, foreign } = importCaptions(bytes(file), asked);
  const sheet = sheetOf(withIds(captions, countedId), { foreign });
  for (const { name, writer } of writable) {
    expect(writer.losses(sheet, plainly).find((l) => l.what === 'file')?.count ?? 0).toBe(name === 'json' ? 0 : 3);
    expect(writer.write(sheet, plainly)).toContain('constructor');
  }
});

it('says what is lost wherever something is: no loss told means the captions come back', () => {
  const all: Kinds = { marks: ['italic', 'bold', 'colour', 'language', 'class', 'ruby'], speakers: true };
  fc.assert(
    fc.property(tracks(all), fc.constantFrom(...writable), (captions, format) => {
      if (format.writer.losses(sheetOf(captions), plainly).length > 0) return;
      const back = readAs(format, writeAs(format, captions)).captions;
      expect(back.map((c) => [c.start, c.end, c.text, c.marks.length, c.speakers.length])).toEqual(
        captions.map((c) => [c.start, c.end, c.text, c.marks.length, c.speakers.length]),
      );
    }),
  );
});

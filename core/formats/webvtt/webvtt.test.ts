import { WebVTTParser } from 'webvtt-parser';
import { bytes, asked, countedId, readAs, writeAs } from '../arbitrary.ts';
import { Unreadable } from '../format.ts';
import { importCaptions } from '../registry.ts';
import { withIds } from '../cue.ts';
import { caption, type Caption } from '../../model/caption.ts';
import { cases, refused } from './cases.ts';
import { webvtt } from './webvtt.ts';

const read = (text: string, rescue = false) => readAs(webvtt, text, rescue);
const body = (text: string, rescue = false) => read(`WEBVTT\n\n${text}`, rescue);
const rewritten = (text: string): string => {
  const { captions, foreign } = read(text);
  return writeAs(webvtt, withIds(captions, countedId), { foreign });
};
const T = '00:01.000 --> 00:02.000';

/** Cues as `start-end text`, an identifier and settings before them where there are any. */
const cues = (text: string): string[] =>
  read(text).captions.map((c) =>
    [c.foreign?.['vttId'], `${String(c.start)}-${String(c.end)}`, c.foreign?.['vttSettings'], c.text]
      .filter((part) => part !== undefined)
      .join(' | '),
  );

const outcome = (text: string): string[] => {
  try {
    return cues(text);
  } catch (error) {
    if (error instanceof Unreadable) return refused;
    throw error;
  }
};

describe.each(cases)('%s', (_, table) => {
  it.each(table)('%s', (_what, file, expected) => expect(outcome(file)).toEqual(expected));
});

describe('what WebVTT drops', () => {
  const file = `${T}\na\n\nafter a blank line\n\n00:05,000 --> 00:06,000\nb\n\nSTYLE\n::cue { color: red }\n\n00:09.000 --> 00:08.000\nc`;

  it('is listed with its line', () => {
    const { captions, warnings: mended } = body(file);
    expect(captions.map((c) => c.text)).toEqual(['a', 'c']);
    expect(mended.map((m) => [m.line, m.lost === true])).toEqual([
      [6, true],
      [8, true],
      [11, true],
      [14, false],
    ]);
  });

  it('is rescued when asked', () => {
    const { captions, foreign } = body(file, true);
    expect(captions.map((c) => [c.start, c.end, c.text])).toEqual([
      [1000, 2000, 'a\nafter a blank line'],
      [5000, 6000, 'b'],
      [8000, 9000, 'c'],
    ]);
    expect(foreign).toEqual({ vttBlocks: 'STYLE\n::cue { color: red }' });
  });

  it('another encoding is what players cannot read, and is read when rescued or told', () => {
    const text = `WEBVTT\n\n${T}\nSeñal`;
    const utf16 = Uint8Array.from(
      Array.from(`\ufeff${text}`).flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]),
    );
    expect(() => importCaptions(utf16, asked)).toThrow('players read UTF-8 only');
    expect(importCaptions(utf16, { ...asked, rescue: true }).captions[0]?.text).toBe('Señal');
    const latin = Uint8Array.from(Array.from(text).map((c) => c.charCodeAt(0)));
    const asPlayers = importCaptions(latin, asked);
    expect([asPlayers.captions[0]?.text, asPlayers.warnings[0]?.line]).toEqual(['Se\ufffdal', 1]);
    expect(importCaptions(latin, { ...asked, rescue: true }).captions[0]?.text).toBe('Señal');
    expect(importCaptions(latin, { ...asked, encoding: 'windows-1252' }).captions[0]?.text).toBe('Señal');
  });
});

describe('what reading found is written again', () => {
  it('title, time map, styles, regions, comments, identifiers, settings, classes, ruby and word times', () => {
    const file = `WEBVTT Lock tour
X-TIMESTAMP-MAP=LOCAL:00:00:00.000,MPEGTS:900000

NOTE before all

STYLE
::cue(.far) { opacity: 0.6 }

REGION
id:foot
width:50%

first
00:00:01.000 --> 00:00:03.000 region:foot align:start
<v Keeper><c.far>Mind</c> the <ruby>水門<rt>gate</rt></ruby></v>

NOTE between

00:00:04.000 --> 00:00:06.000
One <00:00:04.500>two <00:00:05.000>three

NOTE at the end
`;
    expect(rewritten(file)).toBe(file);
  });

  it('lines right under the signature as a comment, with the language they tell', () => {
    const { language, warnings: mended } = read(`WEBVTT\nKind: captions\nLanguage: en-GB\n\n${T}\na`);
    expect([language, mended.map((m) => m.line)]).toEqual(['en-GB', [2]]);
    const once = rewritten(`WEBVTT\nKind: captions\n\n${T}\na`);
    expect(once).toBe('WEBVTT\n\nNOTE\nKind: captions\n\n00:00:01.000 --> 00:00:02.000\na\n');
    expect(rewritten(once)).toBe(once);
  });

  it('but an identifier only once', () => {
    expect(rewritten(`WEBVTT\n\na\n${T}\nx\n\na\n00:03.000 --> 00:04.000\ny`).match(/^a$/gm)).toHaveLength(1);
  });

  it('colours WebVTT has no class for get a style', () => {
    const marks = [{ from: 0, to: 1, kind: 'colour' as const, value: 'orange' }];
    const text = writeAs(webvtt, [caption({ id: 'a', start: 0, end: 1000, text: 'x', marks })]);
    expect(text).toBe(
      'WEBVTT\n\nSTYLE\n::cue(.colour-ffa500) { color: #ffa500 }\n\n00:00:00.000 --> 00:00:01.000\n<c.colour-ffa500>x</c>\n',
    );
    expect(rewritten(text)).toBe(text);
  });
});

it('is valid to a strict reader of its own, whatever is written', () => {
  const awkward: Caption[] = [
    caption({ id: 'a', start: 0, end: 1000, text: 'a --> b\n\n& <c>\n ' }),
    caption({ id: 'b', start: 1000, end: 1000, text: 'no time' }),
    caption({ id: 'c', start: 2000, end: 3000, text: '' }),
    caption({ id: 'd', start: 4000, end: 5000, text: 'x', foreign: { vttId: 'a --> b', vttSettings: 'align:start' } }),
    caption({
      id: 'e',
      start: 6000,
      end: 7000,
      text: 'NOTE\nSTYLE',
      speakers: [{ from: 0, to: 4, speaker: 'A > B\n& C', label: 0 }],
    }),
  ];
  // The strict reader is the package `webvtt-parser`, by the editors of the recommendation.
  const { cues: found, errors } = new WebVTTParser().parse(writeAs(webvtt, awkward), 'metadata');
  expect(errors).toEqual([]);
  expect(found.map((c) => c.startTime)).toEqual([0, 4, 6]);
});

it('reads bytes that are no WebVTT with a refusal', () => {
  expect(() => importCaptions(bytes('WEBVTT\n\nnothing'), asked)).toThrow(
    'The file is WebVTT, and there is no caption in it.',
  );
});

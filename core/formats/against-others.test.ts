/** Our reading held beside that of packages others wrote. Where one departs from the standard, the case says so. */
import { parseSync } from 'subtitle';
import SrtParser from 'srt-parser-2';
import vttjs from 'vtt.js';
import { WebVTTParser } from 'webvtt-parser';
import fc from 'fast-check';
import { spawnSync } from 'node:child_process';
import { essence, countedId, readAs, tracks, writeAs } from './arbitrary.ts';
import { withIds } from './cue.ts';
import { srt } from './srt/srt.ts';
import { cases, refused } from './webvtt/cases.ts';
import { webvtt } from './webvtt/webvtt.ts';

type Plain = readonly [start: number, end: number, text: string];
const ours = (format: typeof srt, text: string): Plain[] =>
  readAs(format, text).captions.map((c) => [c.start, c.end, c.text]);

describe('SRT', () => {
  const bySubtitle = (text: string): Plain[] =>
    parseSync(text).flatMap((node): Plain[] =>
      node.type === 'cue' ? [[node.data.start, node.data.end, node.data.text]] : [],
    );
  const bySrtParser = (text: string): Plain[] =>
    new SrtParser()
      .fromSrt(text)
      .map((c) => [Math.round(c.startSeconds * 1000), Math.round(c.endSeconds * 1000), c.text]);

  it('`subtitle` and `srt-parser-2` read what we write as we do', () => {
    fc.assert(
      fc.property(tracks({ marks: [], speakers: false }), (captions) => {
        const text = writeAs(srt, captions);
        expect(bySubtitle(text)).toEqual(ours(srt, text));
        expect(bySrtParser(text)).toEqual(ours(srt, text));
      }),
    );
  });

  const usual = '1\n00:00:01,000 --> 00:00:02,500\nOne\nline\n\n2\n00:00:03,000 --> 00:00:04,000\nTwo\n';
  it.each([
    ['as usual', usual],
    ['CRLF', usual.replace(/\n/g, '\r\n')],
    ['dots for commas', usual.replace(/,/g, '.')],
    ['wrong numbers', usual.replace(/^2$/m, '7')],
    ['blank lines at the end', `${usual}\n\n`],
  ])('all three agree: %s', (_, text) => {
    expect(bySubtitle(text)).toEqual(ours(srt, text));
    expect(bySrtParser(text)).toEqual(ours(srt, text));
  });
});

// `vtt.js` asks which browser it runs in.
Object.defineProperty(globalThis, 'navigator', { value: { userAgent: '' }, configurable: true });

describe('WebVTT', () => {
  interface Found {
    readonly id: string;
    readonly start: number;
    readonly end: number;
  }
  const byWebvttParser = (text: string): Found[] =>
    new WebVTTParser()
      .parse(text, 'metadata')
      .cues.map((c) => ({ id: c.id, start: Math.round(c.startTime * 1000), end: Math.round(c.endTime * 1000) }));
  const byVttjs = (text: string): Found[] => {
    const found: Found[] = [];
    const host = { VTTCue: vttjs.VTTCue, VTTRegion: vttjs.VTTRegion };
    const parser = new vttjs.WebVTT.Parser(host, vttjs.WebVTT.StringDecoder());
    parser.oncue = (c) =>
      found.push({ id: c.id, start: Math.round(c.startTime * 1000), end: Math.round(c.endTime * 1000) });
    parser.parse(text);
    parser.flush();
    return found;
  };
  const byUs = (text: string): Found[] =>
    readAs(webvtt, text).captions.map(({ start, end, foreign }) => ({ id: foreign?.['vttId'] ?? '', start, end }));

  it('`webvtt-parser` and `vtt.js` read what we write as we do, and find nothing wrong in it', () => {
    fc.assert(
      fc.property(tracks({ marks: ['italic', 'colour', 'ruby', 'language'], speakers: true }), (captions) => {
        const text = writeAs(
          webvtt,
          captions.map((c) => ({ ...c, foreign: { vttId: c.id } })),
        );
        expect(byWebvttParser(text)).toEqual(byUs(text));
        expect(byVttjs(text)).toEqual(byUs(text));
        expect(new WebVTTParser().parse(text, 'metadata').errors).toEqual([]);
      }),
    );
  });

  const told = (read: (text: string) => Found[], text: string): string => {
    try {
      return JSON.stringify(read(text));
    } catch {
      return 'refused';
    }
  };
  /** Cases of the recommendation a package reads otherwise, by what each is called in the table. */
  const departures = (read: (text: string) => Found[]): string[] =>
    cases.flatMap(([, table]) =>
      table.flatMap(([what, text, expected]) =>
        expected !== refused && told(read, text) !== told(byUs, text) ? [what] : [],
      ),
    );

  it('`webvtt-parser` reads the cases of the recommendation as we do, with these departures', () => {
    // It takes NOTE and STYLE for what they are even right above an arrow, and the line above the times for
    // an identifier even where the block has more lines; by "collect a WebVTT block" neither is so.
    expect(departures(byWebvttParser)).toEqual([
      'two lines before the arrow belong to no cue',
      'NOTE above an arrow is an identifier',
      'STYLE above an arrow is an identifier',
    ]);
  });

  it('`vtt.js` reads the cases of the recommendation as we do, with these departures', () => {
    // It reads line by line as the file arrives, with blocks and timestamps in a looser way than the steps
    // "collect a WebVTT block" and "collect a WebVTT timestamp".
    expect(departures(byVttjs)).toEqual([
      'a byte-order mark',
      'CR',
      'a cue right under the signature',
      'an arrow ends the header',
      'two lines before the arrow belong to no cue',
      'an arrow in the text begins a new cue',
      'an arrow on the second line of a failed cue',
      'text without times belongs to nobody',
      'NOTE above an arrow is an identifier',
      'a cue at the end without text',
      'one digit of minutes',
      'minutes over 59 are hours without minutes',
      'seconds over 59',
      'minutes over 59 under hours',
      'four digits of fraction',
    ]);
  });
});

const ffmpeg = spawnSync('ffmpeg', ['-version']).status === 0;
const converted = (text: string, from: string, to: string): string =>
  spawnSync('ffmpeg', ['-v', 'error', '-f', from, '-i', 'pipe:0', '-f', to, 'pipe:1'], {
    input: text,
    encoding: 'utf8',
  }).stdout;

// Debian's ffmpeg, where it is installed.
(ffmpeg ? describe : describe.skip)('ffmpeg', () => {
  const captions = withIds(
    readAs(
      srt,
      '1\n00:00:01,000 --> 00:00:02,500\n<i>One</i>\nline\n\n2\n01:00:03,120 --> 01:00:04,000\nTwo & <b>three</b>, niño 水門\n',
    ).captions,
    countedId,
  );
  it('reads our SRT and gives WebVTT we read as the same captions', () => {
    const back = readAs(webvtt, converted(writeAs(srt, captions), 'srt', 'webvtt')).captions;
    expect(back.map(essence)).toEqual(captions.map(essence));
  });

  it('reads our WebVTT and gives SRT we read as the same captions', () => {
    const back = readAs(srt, converted(writeAs(webvtt, captions), 'webvtt', 'srt')).captions;
    expect(back.map(essence)).toEqual(captions.map(essence));
  });
});

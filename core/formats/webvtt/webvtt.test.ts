import fc from 'fast-check';
import { captionsArbitrary } from '../../track/arbitrary.ts';
import { caption } from '../../track/caption.ts';
import { withIds } from '../cue.ts';
import { Unreadable } from '../format.ts';
import { webvtt } from './webvtt.ts';

const read = (body: string) => webvtt.read(`WEBVTT\n\n${body}`);
let made = 0;
const newId = (): string => String(made++);

// Cases from the W3C WebVTT recommendation; the section is named at each.
describe('reading WebVTT', () => {
  it('6.1: wants the signature, alone or before a space, tab or line end', () => {
    for (const good of ['WEBVTT\n\n00:01.000 --> 00:02.000\na', '\ufeffWEBVTT title\n\n00:01.000 --> 00:02.000\na'])
      expect(webvtt.read(good).captions).toHaveLength(1);
    for (const bad of ['WEBVTTX\n\n', 'webvtt\n\n', ' WEBVTT\n\n', ''])
      expect(() => webvtt.read(bad)).toThrow(Unreadable);
  });

  it('6.1: takes LF, CRLF and CR as line ends', () => {
    for (const end of ['\n', '\r\n', '\r'])
      expect(webvtt.read(['WEBVTT', '', '00:01.000 --> 00:02.000', 'a', 'b'].join(end)).captions[0]?.text).toBe('a\nb');
  });

  it('6.1: a line with an arrow begins a new cue even without a blank line before it', () => {
    expect(read('00:01.000 --> 00:02.000\na\n00:03.000 --> 00:04.000\nb').captions.map((c) => c.text)).toEqual([
      'a',
      'b',
    ]);
  });

  it('6.3: hours are optional, fractions are not; what is malformed is dropped and listed', () => {
    const result = read(
      '00:01.000 --> 01:00:02.000\na\n\n00:03 --> 00:04\nb\n\n00:05,000 --> 00:06,000\nc\n\n00:60.000 --> 00:61.000\nd',
    );
    expect(result.captions.map((c) => [c.start, c.end])).toEqual([[1000, 3_602_000]]);
    expect(result.mended.map((m) => m.line)).toEqual([6, 9, 12]);
  });

  it('6.3: identifiers and settings are kept', () => {
    expect(read('intro\n00:01.000 --> 00:02.000 line:0 align:start\na').captions[0]?.foreign).toEqual({
      vttId: 'intro',
      vttSettings: 'line:0 align:start',
    });
  });

  it('6.4: tags become ranges, references characters, timestamps word times', () => {
    const [first] = read('00:01.000 --> 00:03.000\n<v Keeper>Wait <i>here</i> &amp; <00:02.000>look</v>').captions;
    expect(first?.text).toBe('Wait here & look');
    expect(first?.marks).toEqual([{ from: 5, to: 9, kind: 'italic', value: '' }]);
    expect(first?.speakers).toEqual([{ from: 0, to: 16, speaker: 'Keeper', label: 0 }]);
    expect(first?.words).toEqual([
      [0, 11, 1000, 2000, 1, 'recogniser', 'Wait here &'],
      [12, 16, 2000, 3000, 1, 'recogniser', 'look'],
    ]);
  });

  it('4.1: comments are passed over, styles and regions kept for writing', () => {
    const result = webvtt.read('WEBVTT\n\nSTYLE\n::cue { color: lime }\n\nNOTE\nnothing\n\n00:01.000 --> 00:02.000\na');
    expect(result.captions).toHaveLength(1);
    expect(webvtt.write?.(withIds(result.captions, newId), result.header)).toBe(
      'WEBVTT\n\nSTYLE\n::cue { color: lime }\n\n00:00:01.000 --> 00:00:02.000\na\n',
    );
  });

  it('throws nothing but a plain refusal, whatever the text', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.string(),
            fc.constantFrom('', '-->', '00:01.000 --> 00:02.000', 'NOTE', 'STYLE', '<c.', '&#', '&#x110000;', '</v>'),
          ),
        ),
        (lines) => {
          expect(webvtt.read(`WEBVTT\n${lines.join('\n')}`).captions.every((c) => c.end >= c.start)).toBe(true);
        },
      ),
    );
  });
});

describe('writing WebVTT', () => {
  it('gives what reading takes back', () => {
    fc.assert(
      fc.property(captionsArbitrary, (captions) => {
        const back = webvtt.read(webvtt.write?.(captions, '') ?? '').captions;
        expect(back.map(({ start, end, text, marks }) => ({ start, end, text, marks }))).toEqual(
          captions.map(({ start, end, text, marks }) => ({ start, end, text, marks })),
        );
      }),
    );
  });

  it('nests marks that cross each other and escapes what would be markup', () => {
    const crossing = caption({
      id: 'a',
      start: 0,
      end: 1000,
      text: 'a <b> & c --> d',
      marks: [
        { from: 0, to: 7, kind: 'italic', value: '' },
        { from: 4, to: 9, kind: 'bold', value: '' },
      ],
    });
    const text = webvtt.write?.([crossing], '') ?? '';
    expect(text).toContain('<i>a &lt;b<b>&gt; &amp;</b></i><b> c</b> --&gt; d');
    expect(webvtt.read(text).captions[0]?.text).toBe(crossing.text);
  });
});

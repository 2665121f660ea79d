import fc from 'fast-check';
import { captionsArbitrary } from '../../track/arbitrary.ts';
import { Unreadable } from '../format.ts';
import { withIds } from '../cue.ts';
import { srt } from './srt.ts';

const read = (text: string) => srt.read(text).captions.map((c) => [c.start, c.end, c.text]);
let made = 0;
const newId = (): string => String(made++);

describe('reading SRT', () => {
  it.each<[string, string, (number | string)[][]]>([
    [
      'as common practice has it',
      '1\n00:00:01,000 --> 00:00:02,500\nOne\nline\n\n2\n00:00:03,000 --> 00:00:04,000\nTwo\n',
      [
        [1000, 2500, 'One\nline'],
        [3000, 4000, 'Two'],
      ],
    ],
    ['with a byte-order mark and CRLF', '\ufeff1\r\n00:00:01,000 --> 00:00:02,000\r\nOne\r\n', [[1000, 2000, 'One']]],
    ['with old Mac line ends', '1\r00:00:01,000 --> 00:00:02,000\rOne\r', [[1000, 2000, 'One']]],
    ['with dots for commas and short fractions', '1\n0:0:1.5 -->0:0:2.25\nOne', [[1500, 2250, 'One']]],
    ['without hours', '1\n00:01,000 --> 00:02,000\nOne', [[1000, 2000, 'One']]],
    [
      'without indices',
      '00:00:01,000 --> 00:00:02,000\nOne\n\n00:00:03,000 --> 00:00:04,000\nTwo',
      [
        [1000, 2000, 'One'],
        [3000, 4000, 'Two'],
      ],
    ],
    [
      'with a blank line inside the text',
      '1\n00:00:01,000 --> 00:00:02,000\nOne\n\nmore\n\n2\n00:00:03,000 --> 00:00:04,000\nTwo',
      [
        [1000, 2000, 'One\nmore'],
        [3000, 4000, 'Two'],
      ],
    ],
    [
      'with a number alone as text',
      '1\n00:00:01,000 --> 00:00:02,000\n30\n\n2\n00:00:03,000 --> 00:00:04,000\n31\n',
      [
        [1000, 2000, '30'],
        [3000, 4000, '31'],
      ],
    ],
    [
      'out of order',
      '1\n00:00:03,000 --> 00:00:04,000\nTwo\n\n2\n00:00:01,000 --> 00:00:02,000\nOne',
      [
        [1000, 2000, 'One'],
        [3000, 4000, 'Two'],
      ],
    ],
    ['with times exchanged', '1\n00:00:02,000 --> 00:00:01,000\nOne', [[1000, 2000, 'One']]],
    [
      'cut in the middle',
      '1\n00:00:01,000 --> 00:00:02,000\nOne\n\n2\n00:00:03,0',
      [[1000, 2000, 'One\n2\n00:00:03,0']],
    ],
    ['text that only looks like a tag', '1\n00:00:01,000 --> 00:00:02,000\na < b, <3', [[1000, 2000, 'a < b, <3']]],
  ])('%s', (_, text, expected) => expect(read(text)).toEqual(expected));

  it('reads tags as marks and the placement hint as placement', () => {
    const [first] = srt.read(
      '1\n00:00:01,000 --> 00:00:02,000\n{\\an8}<i>Over</i> the <font color="#ff0000">gate</font>',
    ).captions;
    expect(first).toMatchObject({
      text: 'Over the gate',
      placement: 8,
      marks: [
        { from: 0, to: 4, kind: 'italic', value: '' },
        { from: 9, to: 13, kind: 'colour', value: '#ff0000' },
      ],
    });
  });

  it('names what it mended, with the line', () => {
    expect(srt.read('1\n00:00:02,000 --> 00:00:01,000\nOne').mended).toEqual([
      { line: 2, message: 'The end came before the start; the two were exchanged.' },
    ]);
    expect(srt.read('00:00:01.5 --> 00:00:02,000\nOne').mended.map((m) => m.line)).toEqual([1, 1]);
    expect(srt.read('1\n00:00:01,000 --> 00:00:02,000\nOne\n').mended).toEqual([]);
  });

  it('refuses what holds no caption with a sentence', () => {
    expect(() => srt.read('Dear all,\nthe minutes are attached.')).toThrow(Unreadable);
  });

  it('throws nothing but that, whatever the text', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.string(),
            fc.constantFrom(
              '1',
              '',
              '00:00:01,000 --> 00:00:02,000',
              '-->',
              '<i>',
              '</b>',
              '<',
              '99:99:99,9 --> 0:0:0',
            ),
          ),
        ),
        (lines) => {
          try {
            srt.read(lines.join('\n'));
          } catch (error) {
            expect(error).toBeInstanceOf(Unreadable);
          }
        },
      ),
    );
  });
});

describe('writing SRT', () => {
  it('gives what reading takes back', () => {
    fc.assert(
      fc.property(captionsArbitrary, (captions) => {
        const back = withIds(srt.read(srt.write?.(captions, '') ?? '').captions, newId);
        expect(back.map(({ start, end, text, marks }) => ({ start, end, text, marks }))).toEqual(
          captions.map(({ start, end, text, marks }) => ({ start, end, text, marks })),
        );
      }),
    );
  });

  it('leaves out captions without text and numbers the rest', () => {
    const captions = withIds(
      srt.read('5\n00:00:01,000 --> 00:00:02,000\n\n\n9\n00:00:03,000 --> 00:00:04,000\nTwo').captions,
      newId,
    );
    expect(srt.write?.(captions, '')).toBe('1\n00:00:03,000 --> 00:00:04,000\nTwo\n');
  });
});

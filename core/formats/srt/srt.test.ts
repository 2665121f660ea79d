import { readSrt } from './read.ts';
import { bytes, asked, readAs, writeAs } from '../arbitrary.ts';
import { Unreadable } from '../format.ts';
import { caption } from '../../model/caption.ts';
import { importCaptions } from '../registry.ts';
import { srt } from './srt.ts';

const cues = (text: string) => readAs(srt, text).captions.map((c) => [c.start, c.end, c.text]);
const mended = (text: string) => readAs(srt, text).warnings.map((m) => `${String(m.line)}: ${m.message}`);

/** Two captions as common practice has them, to vary. */
const usual = '1\n00:00:01,000 --> 00:00:02,500\nOne\nline\n\n2\n00:00:03,000 --> 00:00:04,000\nTwo\n';
const both = [
  [1000, 2500, 'One\nline'],
  [3000, 4000, 'Two'],
];

// There is no standard; the variations are those files are found with (common practice).
describe('reading SRT', () => {
  it.each<[string, string]>([
    ['as common practice has it', usual],
    ['with a byte-order mark', `\ufeff${usual}`],
    ['with CRLF', usual.replace(/\n/g, '\r\n')],
    ['with old Mac line ends', usual.replace(/\n/g, '\r')],
    ['with blank lines before and after', `\n\n${usual}\n\n\n`],
    ['with spaces around every line', usual.replace(/^(\d.*)$/gm, '  $1  ')],
    ['with a line of spaces between captions', usual.replace('\n\n2', '\n  \t\n2')],
    ['with dots for commas', usual.replace(/,/g, '.')],
    ['with colons for commas', usual.replace(/,/g, ':')],
    ['with one digit where two are usual', usual.replace(/00:00:0(\d)/g, '0:0:$1')],
    ['without hours', usual.replace(/00:00:/g, '00:')],
    ['with hours of three digits', usual.replace(/00:00:0(\d)/g, '000:00:0$1')],
    ['with short fractions', usual.replace(/,(\d)00/g, ',$1')],
    ['with long fractions', usual.replace(/,(\d+)/g, ',$1999')],
    ['with spaces inside the times', usual.replace(/:/g, ' : ')],
    ['without spaces around the arrow', usual.replace(/ --> /g, '-->')],
    ['with many spaces around the arrow', usual.replace(/ --> /g, '\t -->   ')],
    ...['->', '=>', '→', '--->', '—>', '- ->', '--'].map((sign): [string, string] => [
      `with ${sign} for an arrow`,
      usual.replace(/-->/g, sign),
    ]),
    ['without numbers', usual.replace(/^\d\n/gm, '')],
    ['without a blank line between captions', usual.replace('\n\n', '\n')],
    ['with wrong numbers', usual.replace(/^2$/m, '7')],
    ['with the same number twice', usual.replace(/^2$/m, '1')],
    ['with a blank line under the times', usual.replace(/(-->.*)\n/g, '$1\n\n')],
    ['with a blank line inside the text', usual.replace('One\nline', 'One\n\nline')],
    ['with times exchanged', usual.replace('00:00:01,000 --> 00:00:02,500', '00:00:02,500 --> 00:00:01,000')],
    ['in the wrong order', '2\n00:00:03,000 --> 00:00:04,000\nTwo\n\n1\n00:00:01,000 --> 00:00:02,500\nOne\nline\n'],
    ['with coordinates', usual.replace(/,500$/m, ',500  X1:100 X2:200 Y1:300 Y2:400')],
    ['with the text on the line of the times', usual.replace(',500\nOne\n', ',500 One\n')],
    ['joined with a second file', usual.replace('\n2\n', '\n\ufeff1\n')],
    ['cut off after a number', `${usual}\n3\n`],
    ['cut off inside a time line', `${usual}\n3\n00:00:05,000 --`],
    ['with something before the first caption', `Made on a wet day\n\n${usual}`],
  ])('%s', (_, text) => expect(cues(text)).toEqual(both));

  it('takes a number alone on a line for text where it is text', () => {
    const numbers = '1\n00:00:01,000 --> 00:00:02,000\n1984\n\n2\n00:00:03,000 --> 00:00:04,000\nIn the year\n1985\n';
    expect(cues(numbers).map((c) => c[2])).toEqual(['1984', 'In the year\n1985']);
    const noNumbers = '00:00:01,000 --> 00:00:02,000\n7\n\n00:00:03,000 --> 00:00:04,000\nSeven\n\n';
    expect(cues(noNumbers).map((c) => c[2])).toEqual(['7', 'Seven']);
    const close = '1\n00:00:01,000 --> 00:00:02,000\nIn\n1984\n00:00:03,000 --> 00:00:04,000\nTwo\n';
    expect(cues(close).map((c) => c[2])).toEqual(['In\n1984', 'Two']);
  });

  it('takes the number above a time line for its own where two files were put together without a blank line', () => {
    const glued = '1\n00:00:01,000 --> 00:00:02,000\none\n1\n00:00:03,000 --> 00:00:04,000\ntwo\n';
    expect(cues(glued).map((c) => c[2])).toEqual(['one', 'two']);
  });

  it.each(['00:00:0', '00:00:05,000 --> 00:0', '00:00:05,000 --> 00:00:06,00', '00:00:05,000 -->'])(
    'leaves out a last time line that is cut off (%s), and says so',
    (rest) => {
      const result = readSrt(`1\n00:00:01,000 --> 00:00:02,000\none\n\n2\n${rest}`);
      expect(result.captions.map((c) => c.text)).toEqual(['one']);
      expect(result.warnings.map((m) => m.message).join()).toMatch(/The file ends in the middle of a/);
    },
  );

  it('leaves text alone that only looks like times or tags', () => {
    const text = 'From 10:00 - 11:00 -- no\n12:30 -- then\na < b, <3';
    expect(cues(`1\n00:00:01,000 --> 00:00:02,000\n${text}`)).toEqual([[1000, 2000, text]]);
  });

  it('sets times below zero to zero, and counts minutes past 59 on', () => {
    expect(cues('1\n-00:00:01,000 --> 00:00:02,000\nOne')).toEqual([[0, 2000, 'One']]);
    expect(cues('1\n00:75:00,000 --> 00:75:61,000\nOne')).toEqual([[4_500_000, 4_561_000, 'One']]);
  });

  it('keeps an empty caption, which has a finding of its own', () => {
    expect(cues('1\n00:00:01,000 --> 00:00:02,000\n\n2\n00:00:03,000 --> 00:00:04,000\nTwo\n')[0]).toEqual([
      1000,
      2000,
      '',
    ]);
  });

  it('reads marks, the place in braces, and coordinates', () => {
    const text = '1\n00:00:01,000 --> 00:00:02,000 X1:1\n{\\an8}<i>Over</i> the <font color="#ff0000">gate</font>';
    expect(readAs(srt, text).captions[0]).toMatchObject({
      text: 'Over the gate',
      placement: 8,
      foreign: { srtCoordinates: 'X1:1' },
      marks: [
        { from: 0, to: 4, kind: 'italic', value: '' },
        { from: 9, to: 13, kind: 'colour', value: '#ff0000' },
      ],
    });
    // The old numbering goes by rows from the bottom: 6 is the top in the middle (common practice).
    expect(readAs(srt, '1\n00:00:01,000 --> 00:00:02,000\n{\\a6}Up').captions[0]?.placement).toBe(8);
  });

  it.each<[string, string, string[]]>([
    ['nothing where nothing is wrong', usual, []],
    [
      'exchanged times',
      usual.replace('00:00:03,000 --> 00:00:04', '00:00:04,000 --> 00:00:03'),
      ['7: The end came before'],
    ],
    [
      'a time line out of shape',
      usual.replace('00:00:03,000', '0:00:03.0'),
      ['7: The time line was written “0:00:03.0'],
    ],
    ['a missing number', usual.replace('2\n00', '00'), ['6: There is no number']],
    ['a number out of order', usual.replace('\n2\n', '\n7\n'), ['7: The number is 7 where 2 was expected']],
    [
      'one odd number',
      `${usual.replace('\n2\n', '\n7\n')}\n3\n00:00:05,000 --> 00:00:06,000\nThree\n`,
      ['7: The number is 7'],
    ],
    ['numbers that begin late', usual.replace(/^1$/m, '5').replace(/^2$/m, '6'), ['2: The numbers begin with 5']],
    [
      'a second file',
      usual + '\n1\n00:00:01,500 --> 00:00:02,000\nA\n',
      ['11: A second file', '11: This caption begins'],
    ],
    ['a blank line in the text', usual.replace('One\nline', 'One\n\nline'), ['4: A blank line stood']],
    ['a tag left open', usual.replace('Two', '<i>Two'), ['8: A tag was not closed']],
    ['braces for a player', usual.replace('Two', '{\\fad(1,2)}Two'), ['8: Player commands in braces']],
    ['text beside the times', usual.replace('4,000\nTwo', '4,000 Two'), ['7: The text stood on the line of the times']],
    ['a cut file', `${usual}\n3\n00:00:05,0`, ['10: The file ends in the middle of a caption: only “3 / 00:00:05,0”']],
    ['what stands before', `Hello\n\n${usual}`, ['1: “Hello” stands before']],
    [
      'minutes over 59',
      usual.replace('00:00:04', '00:60:04'),
      ['7: The time line “00:00:03,000 --> 00:60:04,000” has more'],
    ],
  ])('names %s with its line', (_, text, expected) => {
    const found = mended(text);
    expect(found.map((m, i) => m.slice(0, expected[i]?.length ?? 0))).toEqual(expected);
  });

  it('reads UTF-16 and Windows-1252', () => {
    const spanish = usual.replace('Two', 'Señal de niño');
    const utf16 = Uint8Array.from(
      Array.from(`\ufeff${spanish}`).flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]),
    );
    expect(importCaptions(utf16, asked)).toMatchObject({ format: 'srt', encoding: 'utf-16le', encodingBy: 'mark' });
    const unmarked = importCaptions(utf16.subarray(2), asked);
    expect([unmarked.encoding, unmarked.captions[1]?.text]).toEqual(['utf-16le', 'Señal de niño']);
    const latin = Uint8Array.from(Array.from(spanish).map((c) => c.charCodeAt(0)));
    expect(importCaptions(latin, asked)).toMatchObject({ encoding: 'windows-1252', encodingBy: 'guess' });
    expect(importCaptions(latin, asked).captions[1]?.text).toBe('Señal de niño');
  });

  it('refuses what holds no caption with a sentence', () => {
    expect(() => readAs(srt, 'Dear all,\nthe minutes are attached.')).toThrow(Unreadable);
    expect(() => importCaptions(bytes(''), asked)).toThrow('The file is empty.');
  });
});

describe('writing SRT', () => {
  it('numbers captions again and leaves out those without text', () => {
    const captions = ['', 'Two'].map((text, i) => caption({ id: text, start: i * 2000, end: i * 2000 + 1000, text }));
    expect(writeAs(srt, captions)).toBe('1\n00:00:02,000 --> 00:00:03,000\nTwo\n');
  });

  it('writes places on the picture when asked, and coordinates always', () => {
    const placed = caption({
      id: 'a',
      start: 0,
      end: 1000,
      text: 'Up',
      placement: 8,
      foreign: { srtCoordinates: 'X1:1' },
    });
    expect(writeAs(srt, [placed])).toBe('1\n00:00:00,000 --> 00:00:01,000 X1:1\nUp\n');
    expect(writeAs(srt, [placed], {}, { positions: true })).toContain('\n{\\an8}Up\n');
    expect(readAs(srt, writeAs(srt, [placed], {}, { positions: true })).captions[0]?.placement).toBe(8);
  });
});

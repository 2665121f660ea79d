import { asked, bytes } from '../arbitrary.ts';
import { importCaptions } from '../registry.ts';

const two = [
  [1000, 2500, 'One'],
  [3000, 4000, 'Two\nlines'],
];
const read = (text: string) => importCaptions(bytes(text), asked);

// Layouts that video hosts, recognisers and editors of sound give out (common practice); none has a standard.
describe('timed text is recognised by its shape', () => {
  it.each<[string, string]>([
    ['times with a comma above the text', '0:00:01.000,0:00:02.500\nOne\n\n0:00:03.000,0:00:04.000\nTwo\nlines\n'],
    ['no fractions', '0:00:01,0:00:02.500\nOne\n\n0:00:03,0:00:04\nTwo\nlines\n'],
    [
      'in brackets with an arrow',
      '[00:00:01.000 --> 00:00:02.500]  One\n[00:00:03.000 --> 00:00:04.000]  Two\nlines\n',
    ],
    ['each in brackets', '[00:01.000][00:02.500]One\n[00:03.000][00:04.000]Two\nlines'],
    ['with a dash on the line', '00:01 - 00:02.5 One\n00:03 - 00:04 Two\nlines\n'],
    ['with the word to', '0:01 to 0:02.5 One\n0:03 to 0:04 Two\nlines\n'],
    ['seconds and tabs', '1.0\t2.5\tOne\n3.00\t4.00\tTwo\nlines\n'],
    ['numbered in a table', '1\t00:00:01.000\t00:00:02.500\tOne\n2\t00:00:03.000\t00:00:04.000\tTwo\nlines\n'],
    [
      'in quotes, under a head',
      'Start,End,Text\n"00:00:01.000","00:00:02.500","One"\n"00:00:03.000","00:00:04.000","Two\nlines"\n',
    ],
    ['with frames', '00:00:01:00 , 00:00:02:12 , One\n00:00:03:00 , 00:00:04:00 , Two\nlines\n'],
    ['frames in braces', '{25}{62}One\n{75}{100}Two|lines\n'],
    ['with a break in brackets', '00:00:01.00,00:00:02.50\nOne\n\n00:00:03.00,00:00:04.00\nTwo[br]lines\n'],
    ['CRLF', '0:00:01.000,0:00:02.500\r\nOne\r\n\r\n0:00:03.000,0:00:04.000\r\nTwo\r\nlines\r\n'],
  ])('%s', (_, text) => {
    const { format, captions } = read(text);
    expect(format).toBe('timed');
    expect(captions.map((c) => [c.start, c.end, c.text])).toEqual(
      // Frames of 25 a second come in steps of 40 ms, of 24 a second in steps of 42 ms.
      two.map(([start, end, body]) => [start, end === 2500 && text.startsWith('{25}') ? 2480 : end, body]),
    );
  });

  it('says how it counted frames, and what it left out', () => {
    expect(read('00:00:01:00 , 00:00:02:29 , One').warnings).toEqual([
      { line: 1, message: 'Times are in frames; 30 a second were counted.' },
    ]);
    expect(read('Start,End,Text\n0:01,0:02,One').warnings[0]?.message).toContain('stands before the first time');
  });

  it('exchanges times that run backwards', () => {
    expect(read('0:00:02.000,0:00:01.000\nOne').captions[0]).toMatchObject({ start: 1000, end: 2000 });
  });
});

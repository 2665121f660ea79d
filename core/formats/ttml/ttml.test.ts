import { readAs, writeAs } from '../arbitrary.ts';
import { Unreadable } from '../format.ts';
import { treeOf } from './tree.ts';
import { ttml } from './ttml.ts';
import { documentClock, timeExpression } from './time.ts';
import { caption } from '../../model/caption.ts';

const clockOf = (parameters: Readonly<Record<string, string>> = {}) => documentClock((name) => parameters[name]);

// W3C TTML2, "Time value expressions": the forms of its syntax, and the parameters they depend on.
describe('time expressions', () => {
  it.each<[string, Readonly<Record<string, string>>, number | null]>([
    ['00:00:05', {}, 5000],
    ['01:02:03.456', {}, 3_723_456],
    ['100:00:00', {}, 360_000_000],
    ['00:00:01.5', {}, 1500],
    ['00:00:02:15', { frameRate: '30' }, 2500],
    ['00:00:02:12', { frameRate: '24' }, 2500],
    ['00:00:02:12.5', { frameRate: '25', subFrameRate: '10' }, 2500],
    // 30 x 1000/1001 frames a second: 15 frames are 0.5005 s.
    ['00:00:02:15', { frameRate: '30', frameRateMultiplier: '1000 1001' }, 2501],
    ['00:00:02:15', { frameRate: '30', frameRateMultiplier: '1000:1001' }, 2501],
    ['2h', {}, 7_200_000],
    ['1.5m', {}, 90_000],
    ['3.25s', {}, 3250],
    ['250ms', {}, 250],
    ['75f', { frameRate: '25' }, 3000],
    ['75f', {}, 2500],
    ['30000000t', { tickRate: '10000000' }, 3000],
    ['60t', { frameRate: '30' }, 2000],
    ['5t', {}, 5000],
    // Labels of the SMPTE time code: an hour of 29.97 frames in labels that drop none, and in labels that do.
    ['01:00:00:00', { timeBase: 'smpte', frameRate: '30', frameRateMultiplier: '1000 1001' }, 3_603_600],
    [
      '01:00:00:00',
      { timeBase: 'smpte', frameRate: '30', frameRateMultiplier: '1000 1001', dropMode: 'dropNTSC' },
      3_599_996,
    ],
    ['00:00', {}, null],
    ['5', {}, null],
    ['-1s', {}, null],
    ['00:61:00', {}, null],
    ['wallclock(2026-01-01)', {}, null],
  ])('%s with %j', (text, parameters, ms) => expect(timeExpression(text, clockOf(parameters))).toBe(ms));
});

const doc = (body: string, head = '', attributes = 'xml:lang="en"') =>
  `<?xml version="1.0"?>\n<tt xmlns="http://www.w3.org/ns/ttml" xmlns:tts="http://www.w3.org/ns/ttml#styling" xmlns:ttm="http://www.w3.org/ns/ttml#metadata" xmlns:ttp="http://www.w3.org/ns/ttml#parameter" ${attributes}><head>${head}</head><body>${body}</body></tt>`;
const read = (body: string, head = '', attributes?: string) => readAs(ttml, doc(body, head, attributes));
const times = (body: string) => read(body).captions.map((c) => [c.start, c.end, c.text]);

// W3C TTML2, "Timing attribute semantics" and "timeContainer".
describe('the times of elements inside each other', () => {
  it.each<[string, string, (number | string)[][]]>([
    ['begin and end', '<div><p begin="1s" end="2s">a</p></div>', [[1000, 2000, 'a']]],
    ['begin and dur', '<div><p begin="1s" dur="2s">a</p></div>', [[1000, 3000, 'a']]],
    ['the earlier of dur and end', '<div><p begin="1s" dur="5s" end="2s">a</p></div>', [[1000, 2000, 'a']]],
    ['counted from the parent', '<div begin="10s"><p begin="1s" end="2s">a</p></div>', [[11_000, 12_000, 'a']]],
    ['cut at the end of the parent', '<div end="3s"><p begin="1s" end="9s">a</p></div>', [[1000, 3000, 'a']]],
    ['times of the division alone', '<div begin="1s" end="2s"><p>a</p></div>', [[1000, 2000, 'a']]],
    [
      'one after another',
      '<div timeContainer="seq"><p dur="1s">a</p><p dur="2s">b</p><p begin="1s" dur="1s">c</p></div>',
      [
        [0, 1000, 'a'],
        [1000, 3000, 'b'],
        [4000, 5000, 'c'],
      ],
    ],
    [
      'only parts have times',
      '<div><p><span begin="1s" end="2s">a</span><span begin="3s" end="4s">b</span></p></div>',
      [
        [1000, 2000, 'a'],
        [3000, 4000, 'b'],
      ],
    ],
    ['white space', '<div><p begin="1s" end="2s">\n   a\n  b  <br/>\n  c </p></div>', [[1000, 2000, 'a b\nc']]],
    [
      'white space that is meant',
      '<div><p begin="1s" end="2s" xml:space="preserve"> a  b </p></div>',
      [[1000, 2000, ' a  b ']],
    ],
    [
      'references and sections',
      '<div><p begin="1s" end="2s">&lt;a&gt; &amp; <![CDATA[<b>]]></p></div>',
      [[1000, 2000, '<a> & <b>']],
    ],
  ])('%s', (_, body, expected) => expect(times(body)).toEqual(expected));

  it('an end nobody tells is given and said', () => {
    const { captions, warnings: mended } = read('<div><p begin="1s">a</p>\n<p begin="2s">b</p></div>');
    expect(captions.map((c) => [c.start, c.end])).toEqual([
      [1000, 2000],
      [2000, 5000],
    ]);
    expect(mended.map((m) => m.message)).toEqual(Array(2).fill('This caption has no end; it was given one.'));
  });

  it('times of words inside a caption become word times', () => {
    const [c] = read(
      '<div><p begin="1s" end="4s">one <span begin="1s">two</span> <span begin="2s">three</span></p></div>',
    ).captions;
    expect([c?.text, c?.words.map((w) => [w[6], w[2], w[3]])]).toEqual([
      'one two three',
      [
        ['one', 1000, 2000],
        ['two', 2000, 3000],
        ['three', 3000, 4000],
      ],
    ]);
  });
});

describe('what is marked', () => {
  const head =
    '<metadata><ttm:agent xml:id="k" type="character"><ttm:name type="full">Keeper</ttm:name></ttm:agent></metadata>' +
    '<styling><style xml:id="base" tts:color="white"/><style xml:id="far" style="base" tts:fontStyle="italic" tts:color="#ffff00ff"/><style xml:id="loop" style="loop"/></styling>';
  it('comes from elements, from styles they name, and from styles those name', () => {
    const [c] = read(
      '<div style="base"><p begin="1s" end="2s" ttm:agent="k"><span style="far">Mind</span> the <span xml:lang="cy" tts:fontWeight="bold">llifddor</span><br/><span tts:textDecoration="underline" style="loop">now</span></p></div>',
      head,
    ).captions;
    expect(c?.text).toBe('Mind the llifddor\nnow');
    expect(c?.marks.map((m) => [m.kind, m.value, c.text.slice(m.from, m.to)])).toEqual([
      ['italic', '', 'Mind'],
      ['colour', '#ffff00ff', 'Mind'],
      ['bold', '', 'llifddor'],
      ['language', 'cy', 'llifddor'],
      ['underline', '', 'now'],
    ]);
    expect(c?.speakers).toEqual([{ from: 0, to: 21, speaker: 'Keeper', label: 0 }]);
  });

  it('keeps the language of the whole file apart from that of a part', () => {
    expect(read('<div><p begin="1s" end="2s" xml:lang="fr">eau</p></div>')).toMatchObject({
      language: 'en',
      captions: [{ marks: [{ kind: 'language', value: 'fr' }] }],
    });
  });
});

it('reads what is not well-formed as far as it goes, and names the line', () => {
  const { captions, warnings: mended } = readAs(
    ttml,
    doc('<div>\n<p begin="1s" end="2s">Fish & chips</p>\n<p begin="3s" end="4s">b'),
  );
  expect(captions.map((c) => c.text)).toEqual(['Fish & chips', 'b']);
  expect(mended[0]?.line).toBe(3);
});

it('refuses XML that is no TTML', () => {
  expect(() => readAs(ttml, '<?xml version="1.0"?><feed/>')).toThrow(Unreadable);
});

it('writes well-formed XML with white space and references as they were meant', () => {
  const text = '  two  spaces & <signs>\n"quoted" ';
  const file = writeAs(ttml, [caption({ id: 'a', start: 0, end: 1000, text })], { title: 'A & B' });
  const faults: { line: number; message: string }[] = [];
  treeOf(file, faults);
  expect(faults).toEqual([]);
  expect(file).toContain('ttp:contentProfiles="http://www.w3.org/ns/ttml/profile/imsc1.1/text"');
  expect(readAs(ttml, file).captions[0]?.text).toBe(text);
});

it('writes word times when asked, as spans that begin at them', () => {
  const words = [
    [0, 3, 1000, 1400, 1, 'recogniser', 'one'],
    [4, 7, 1500, 2000, 1, 'recogniser', 'two'],
  ] as const;
  const file = writeAs(
    ttml,
    [caption({ id: 'a', start: 1000, end: 3000, text: 'one two', words })],
    {},
    { wordTimes: true },
  );
  expect(file).toContain('>one <span begin="00:00:00.500">two</span></p>');
  expect(readAs(ttml, file).captions[0]?.words.map((w) => [w[6], w[2]])).toEqual([
    ['one', 1000],
    ['two', 1500],
  ]);
});

import fc from 'fast-check';
import { asked, bytes, readAs, tracks, writeAs } from '../arbitrary.ts';
import { importCaptions } from '../registry.ts';
import { caption } from '../../model/caption.ts';
import { transcriptHtml } from './html.ts';
import { timeMark } from './paragraphs.ts';
import { transcriptText } from './text.ts';

const read = (text: string) => importCaptions(bytes(text), asked);
const wordsOf = (captions: readonly { readonly text: string }[]) =>
  captions.flatMap((c) => c.text.split(/\s+/)).filter((w) => w !== '');

const tour = `[00:00:05] KEEPER: Good evening, and welcome to the upper lock. Mind the edge, it is wet tonight.

[00:00:30] VISITOR: How deep is the water here?

Nobody answers for a while.`;

describe('a transcript in plain text', () => {
  it('becomes captions with provisional times, from the marks where there are any', () => {
    const { format, captions } = read(tour);
    expect(format).toBe('txt');
    expect(captions.every((c) => c.timing === 'provisional')).toBe(true);
    expect(captions[0]?.start).toBe(5000);
    expect(captions.find((c) => c.text.startsWith('VISITOR'))?.start).toBe(30_000);
    expect(wordsOf(captions)).toEqual(
      tour
        .replace(/\[[\d:]+\]/g, '')
        .split(/\s+/)
        .filter(Boolean),
    );
    captions.slice(1).forEach((c, i) => expect(c.start).toBeGreaterThanOrEqual(captions[i]?.end ?? 0));
  });

  it('knows speakers by their labels, also where the name is of several words', () => {
    const [first] = read('MRS O’DELL: The gate is shut.\n\nRemember: it opens at six.').captions;
    expect(first?.speakers).toEqual([{ from: 0, to: 29, speaker: 'MRS O’DELL', label: 12 }]);
    expect(read('Hello there.\n\nRemember: it opens at six.').captions.flatMap((c) => c.speakers)).toEqual([]);
  });

  it('is not what some other file is', () => {
    for (const text of [
      '{"name": "x", "list": [1, 2]}',
      'QUJD'.repeat(400),
      `${'uDzvTglKnz/ldbHTcRC+ParYUimm'.repeat(3)}\n`.repeat(40),
      '<svg><path d="M0 0"/></svg>',
      '1,2,3\n4,5,6\n',
      ';;\n%%%%\n$$',
    ])
      expect(() => read(text)).toThrow('No caption format was recognised');
  });

  it('may be in a script without spaces', () => {
    expect(read('水門は夜も動いている。気をつけてください。').format).toBe('txt');
  });

  it.each<[string, { length: number; ms: number } | null]>([
    ['[00:01:02] x', { length: 11, ms: 62_000 }],
    ['(1:02) x', { length: 7, ms: 62_000 }],
    ['01:02 x', { length: 6, ms: 62_000 }],
    ['01:02 - x', { length: 8, ms: 62_000 }],
    ['[00:01:02.5]: x', { length: 14, ms: 62_500 }],
    ['10:30pm', null],
    ['[sound]', null],
    ['[1:02 x', null],
  ])('time mark %s', (text, expected) => expect(timeMark(text)).toEqual(expected));

  it('is written in paragraphs by speaker and pause, marks when asked', () => {
    const voiced = (id: string, start: number, text: string, speaker: string) =>
      caption({ id, start, end: start + 2000, text, speakers: [{ from: 0, to: text.length, speaker, label: 0 }] });
    const captions = [
      voiced('a', 1000, 'Good evening,\nall.', 'Keeper'),
      voiced('b', 3000, 'Mind the edge.', 'Keeper'),
      voiced('c', 5000, 'Thank you.', 'Visitor'),
      caption({ id: 'd', start: 20_000, end: 22_000, text: '[water runs]' }),
    ];
    expect(writeAs(transcriptText, captions)).toBe(
      'KEEPER: Good evening, all. Mind the edge.\n\nVISITOR: Thank you.\n\n[water runs]\n',
    );
    expect(writeAs(transcriptText, captions, {}, { timeMarks: true })).toContain('[00:00:05] VISITOR: Thank you.');
  });
});

describe('a transcript in HTML', () => {
  it('is read by its paragraphs, with what is marked in them', () => {
    const page =
      '<!doctype html><html lang="en"><head><title>No words</title><style>p{}</style></head><body><h1>The lock</h1><p>Mind <em>the</em> edge &amp; <span style="color:#f80">gate</span><script>no()</script><p lang="cy">Un <b>dau</b>';
    const { format, language, captions } = read(page);
    expect([format, language, wordsOf(captions).join(' ')]).toEqual([
      'html',
      'en',
      'The lock Mind the edge & gate Un dau',
    ]);
    expect(captions.flatMap((c) => c.marks.map((m) => [m.kind, c.text.slice(m.from, m.to)]))).toEqual([
      ['italic', 'the'],
      ['colour', 'gate'],
      ['bold', 'dau'],
    ]);
  });

  it('is written as a page anybody can open, with nothing of the words taken for markup', () => {
    const text = '<b>5 > 3</b>\n& "so"';
    const page = writeAs(
      transcriptHtml,
      [caption({ id: 'a', start: 61_000, end: 62_000, text })],
      { title: '<A>' },
      { timeMarks: true },
    );
    expect(page).toContain('<html lang="en-GB">');
    expect(page).toContain(
      '<time datetime="00:01:01">[00:01:01]</time> &lt;b&gt;5 &gt; 3&lt;/b&gt; &amp; &quot;so&quot;',
    );
    expect(readAs(transcriptHtml, page).captions[0]?.start).toBe(61_000);
  });
});

it.each([transcriptText, transcriptHtml])('every word comes back from $title', (format) => {
  fc.assert(
    fc.property(tracks({ marks: ['italic', 'language'], speakers: false }), (captions) => {
      const back = readAs(format, writeAs(format, captions)).captions;
      // A time at the beginning of a paragraph is a time mark; the words of the test hold one.
      const spoken = wordsOf(captions).filter((w) => w !== '12:30');
      expect(wordsOf(back).filter((w) => w !== '12:30')).toEqual(spoken);
    }),
  );
});

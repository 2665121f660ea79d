import { readFileSync } from 'node:fs';
import { wavForm } from '../core/audio/wav.ts';
import { at } from './terminal-for-tests.ts';

const srt = '1\n00:00:01,000 --> 00:00:03,000\n<i>The gate</i>\nis shut.\n';
const late = '1\n00:00:03,000 --> 00:00:01,000\nOne\n';
const vtt =
  'WEBVTT\nLanguage: en-GB\n\n00:01.000 --> 00:02.000 line:0\n<v Keeper>Wait.\n\n00:03,000 --> 00:04,000\nDropped\n';
const rolling = ['one', 'one\ntwo', 'two\nthree', 'three\nfour', 'four\nfive']
  .map((t, i) => `${String(i + 1)}\n00:00:0${String(i)},000 --> 00:00:0${String(i + 1)},000\n${t}\n`)
  .join('\n');

describe('fenwix read', () => {
  it('gives captions in milliseconds, without markup, and what was fixed while reading', () => {
    expect(JSON.parse(at({ 'a.srt': srt }, 'read', 'a.srt', '--json').said)).toEqual({
      format: 'srt',
      encoding: 'utf-8',
      language: null,
      captions: [{ start: 1000, end: 3000, text: 'The gate\nis shut.' }],
      warnings: [],
    });
    expect(JSON.parse(at({ '-': late }, 'read', '-', '--json').said)).toMatchObject({
      captions: [{ start: 1000, end: 3000 }],
      warnings: [{ line: 2 }],
    });
    expect(JSON.parse(at({ a: vtt }, 'read', 'a', '--json').said)).toEqual({
      format: 'vtt',
      encoding: 'utf-8',
      language: 'en-GB',
      captions: [{ start: 1000, end: 2000, text: 'Wait.', settings: 'line:0', speaker: 'Keeper' }],
      warnings: [
        { line: 2, message: expect.stringContaining('kept as a comment') as string },
        { line: 7, message: expect.stringContaining('the cue was left out') as string },
      ],
    });
  });

  it('says the same to people', () => {
    expect(at({ 'a.srt': srt }, 'read', 'a.srt').said).toBe(
      'a.srt: SRT, UTF-8, 1 caption\n00:01.00 – 00:03.00  The gate / is shut.\n',
    );
    expect(at({ r: rolling }, 'read', 'r').said).toContain(
      '4 of 5 captions are rolling: each repeats the last line of the one before; --unroll makes captions of them',
    );
  });

  it('rescues, unrolls, and takes a format and an encoding it is told', () => {
    expect(JSON.parse(at({ a: vtt }, 'read', 'a', '--json', '--rescue').said)).toMatchObject({
      captions: [{ text: 'Wait.' }, { text: 'Dropped' }],
    });
    const unrolled = JSON.parse(at({ r: rolling }, 'read', 'r', '--json', '--unroll').said) as {
      captions: { text: string }[];
      rolling: unknown;
    };
    expect(
      unrolled.captions
        .map((c) => c.text)
        .join(' ')
        .split(/\s+/),
    ).toEqual(['one', 'two', 'three', 'four', 'five']);
    expect(unrolled.rolling).toEqual({ habit: 'rolling', shown: 4, captions: 5 });
    const greek = Uint8Array.of(...new TextEncoder().encode('1\n00:00:01,000 --> 00:00:03,000\n'), 0xcd, 0xe1, 0xe9);
    expect(at({ g: greek }, 'read', 'g', '--encoding', 'windows-1253').said).toContain('WINDOWS-1253, 1 caption\n');
    expect(at({ g: greek }, 'read', 'g', '--encoding', 'windows-1253').said).toContain('Ναι');
    expect(JSON.parse(at({ a: srt }, 'read', 'a', '--json', '--from', 'txt').said)).toMatchObject({ format: 'txt' });
  });
});

describe('fenwix convert', () => {
  it('writes over no file that is read, but captions over captions of their own format', () => {
    const files = { 'a.srt': srt, 'b.srt': srt, 'own/style.json': '{}' };
    const refused = at(files, 'convert', 'a.srt', 'a.srt', '--to', 'vtt');
    expect(refused).toMatchObject({ ending: 2, written: {} });
    expect(refused.muttered).toContain('a.srt holds SRT, and WebVTT is not written in its place.');
    expect(at(files, 'retime', 'a.srt', 'b.srt', '--borrow', 'b.srt')).toMatchObject({ ending: 2, written: {} });
    expect(at(files, 'repair', 'a.srt', 'a.srt')).toMatchObject({ ending: 0 });
    expect(Object.keys(at(files, 'convert', 'a.srt', 'a.srt').written)).toEqual(['a.srt']);
  });

  it('writes what the file name or --to asks for', () => {
    expect(at({ 'a.srt': srt }, 'convert', 'a.srt', 'b.vtt')).toMatchObject({
      ending: 0,
      muttered: '',
      written: { 'b.vtt': 'WEBVTT\n\n00:00:01.000 --> 00:00:03.000\n<i>The gate</i>\nis shut.\n' },
    });
    expect(at({ 'a.srt': srt }, 'convert', 'a.srt', '-', '--to', 'srt', '--crlf').written['-']).toBe(
      srt.replace(/\n/g, '\r\n'),
    );
    for (const [format, begins] of [
      ['ttml', '<?xml'],
      ['txt', 'The gate is shut.\n'],
      ['html', '<!doctype html>'],
      ['ctm', 'a 1 1.000 '],
      ['json', '{"fenwix":"track","version":1,"title":"a"'],
    ] as const)
      expect(at({ 'a.srt': srt }, 'convert', 'a.srt', '-', '--to', format).written['-']?.startsWith(begins)).toBe(true);
  });

  it('keeps in WebVTT what WebVTT had', () => {
    const { written } = at({ a: vtt }, 'convert', 'a', 'b.vtt', '--rescue');
    expect(written['b.vtt']).toBe(
      'WEBVTT\n\nNOTE\nLanguage: en-GB\n\n00:00:01.000 --> 00:00:02.000 line:0\n<v Keeper>Wait.</v>\n\n00:00:03.000 --> 00:00:04.000\nDropped\n',
    );
  });

  it('says what is lost, counted, and ends with 1 under --strict', () => {
    expect(at({ a: srt }, 'convert', 'a', 'b.srt', '--strict')).toMatchObject({ ending: 0, muttered: '' });
    expect(at({ a: late }, 'convert', 'a', 'b.srt', '--strict')).toMatchObject({
      ending: 0,
      muttered: 'line 2: The end came before the start; the two were swapped.\n',
    });
    const lossy = at({ a: srt }, 'convert', 'a', 'b.txt', '--strict');
    expect([lossy.ending, lossy.muttered]).toEqual([
      1,
      'Transcript does not hold: 1 caption’s times, 1 line break, 1 italic stretch.\n',
    ]);
    expect(at({ a: srt }, 'convert', 'a', 'b.txt').ending).toBe(0);
    expect(at({ a: vtt }, 'convert', 'a', 'b.vtt', '--strict').ending).toBe(1);
  });

  it('leaves out sound notes and labels when asked', () => {
    const labelled = '1\n00:00:01,000 --> 00:00:03,000\nKEEPER: Mind it.\n[bell]\n';
    expect(at({ a: labelled }, 'convert', 'a', '-', '--to', 'txt', '--leave-out', 'notes').written['-']).toBe(
      'KEEPER: Mind it.\n',
    );
    expect(at({ a: labelled }, 'convert', 'a', '-', '--to', 'txt', '--leave-out', 'notes,labels').written['-']).toBe(
      'Mind it.\n',
    );
  });

  it('makes captions of a machine draft', () => {
    const ctm = readFileSync('demo/recordings/lock-after-dark/machine-draft.ctm');
    const { written, muttered } = at({ 'draft.ctm': ctm }, 'convert', 'draft.ctm', 'out.srt');
    expect(written['out.srt']).toMatch(/^1\n00:00:01,\d{3} --> /);
    expect(muttered).toMatch(/^SRT does not hold: \d+ captions’ word times, \d+ captions’ certainty of words\.\n$/);
    const timed = at({ 'draft.ctm': ctm }, 'convert', 'draft.ctm', 'out.vtt', '--word-times');
    expect(timed.written['out.vtt']).toMatch(/ <00:00:0\d\.\d{3}>\w/);
  });
});

describe('fenwix check', () => {
  const fast = '1\n00:00:01,000 --> 00:00:02,000\nMuch too much to read in a second\n';

  it('ends with 1 while findings have to go, and names caption, figures and limit', () => {
    const result = at({ a: fast }, 'check', 'a', '--json');
    expect(result.ending).toBe(1);
    expect(JSON.parse(result.said)).toMatchObject({
      captions: 1,
      findings: [{ rule: 'too-fast', severity: 'must', captions: [0], figures: { value: 33, limit: 20 } }],
    });
    expect(at({ a: srt }, 'check', 'a').ending).toBe(0);
  });

  it('takes the style it is told, by name or from a file', () => {
    expect(at({ a: srt }, 'check', 'a', '--style', 'upright-17').ending).toBe(0);
    expect(at({ a: fast }, 'check', 'a', '--style', 'upright-17').said).toContain('line-too-long');
    expect(at({ a: srt }, 'check', 'a', '--style', 'nonsense')).toMatchObject({
      ending: 2,
      muttered: expect.stringContaining('lecture-38') as string,
    });
    const own = at({}, 'styles', 'lecture-38').said.replaceAll('"limit": 38', '"limit": 4');
    expect(at({ a: srt, 'own.json': own }, 'check', 'a', '--style', 'own.json').said).toContain('line-too-long');
    const wrong = own.replace('"limit": 4', '"limit": "wide"').replace('"version": 3,', '"versions": 3,');
    expect(at({ a: srt, 'own.json': wrong }, 'check', 'a', '--style', 'own.json').muttered).toBe(
      'own.json is not a house style:\n  version: missing; expected a number from 1 to 1000000.\n  text.lineLength.limit: expected a number from 1 to 1000.\n  versions: not a part of a house style.\n',
    );
  });
});

describe('fenwix repair and reflow', () => {
  const bad =
    '1\n00:00:01,000 --> 00:00:02,000\nMuch too much to read in a second\n\n2\n00:00:05,000 --> 00:00:05,400\nWait.\n';

  it('repairs what can be repaired and says what it did', () => {
    const result = at({ a: bad }, 'repair', 'a', 'b.srt', '--json');
    expect(result.ending).toBe(0);
    expect(JSON.parse(result.said)).toEqual({
      captions: { before: 2, after: 2 },
      must: { before: 2, after: 0 },
      done: [
        { start: 1000, rule: 'too-fast', message: 'It ends 1.20 s later.' },
        { start: 5000, rule: 'too-short', message: 'It ends 0.60 s later.' },
      ],
      left: [],
    });
    expect(result.written['b.srt']).toContain('00:00:01,000 --> 00:00:03,200');
  });

  it('ends with 1 while something is left, and says why', () => {
    const full = `1\n00:00:00,000 --> 00:00:02,000\n${'x'.repeat(30)}\n\n2\n00:00:02,080 --> 00:00:03,080\n${'y'.repeat(38)}\n\n3\n00:00:03,160 --> 00:00:05,000\n${'z'.repeat(30)}\n`;
    const result = at({ a: full }, 'repair', 'a', 'b.srt');
    expect([result.ending, result.said]).toEqual([
      1,
      expect.stringContaining('Not repaired:\n  00:02.08  too-fast: Needs 0.90 s more') as string,
    ]);
  });

  it('lays captions out again under another style, every word in its place', () => {
    const long =
      '1\n00:00:01,000 --> 00:00:07,000\nWe wait until the water is level\nand then the keeper opens the gate\n';
    const { written, ending } = at({ a: long }, 'reflow', 'a', 'b.srt', '--style', 'upright-17');
    expect(ending).toBe(0);
    const words = (text: string): string =>
      text
        .replace(/^\d+$|^.*-->.*$/gm, '')
        .split(/\s+/)
        .filter(Boolean)
        .join(' ');
    expect(words(written['b.srt'] ?? '')).toBe(words(long));
    expect((written['b.srt'] ?? '').split('\n').every((l) => l.includes('-->') || l.length <= 17)).toBe(true);
    expect(at({ a: srt }, 'reflow', 'a', 'b.srt').written['b.srt']).toBe(srt);
  });
});

describe('what cannot be done', () => {
  it.each([
    ['a file that is not there', ['read', 'gone.srt'], 'there is no such file'],
    ['a picture', ['read', 'p.srt'], 'p.srt: The file is a PNG picture'],
    ['an empty file', ['read', 'e.srt'], 'e.srt: The file is empty'],
    ['a file of no format', ['read', 'x'], 'x: No caption format was recognised'],
    ['an option that is not known', ['read', 'a', '--loud'], '--loud is not known'],
    ['an option without its value', ['check', 'a', '--style'], '--style needs a value'],
    ['an encoding that is none', ['read', 'a', '--encoding', 'elvish'], '“elvish” is not an encoding'],
    ['a format that is none', ['read', 'a', '--from', 'doc'], '“doc” is not a format. There are: srt, vtt'],
    ['a style that is not JSON', ['check', 'a', '--style', './a'], 'there is no such file'],
    ['no file', ['check'], 'One file was expected'],
    ['a format that is not clear', ['convert', 'a', 'b.xyz'], 'Name the format'],
    ['a format that is only read', ['convert', 'a', 'b', '--to', 'timed'], 'is read and not written'],
    ['a part that cannot be left out', ['convert', 'a', 'b.srt', '--leave-out', 'verbs'], '“verbs” cannot be left out'],
    ['a command that is none', ['paint'], 'is not a command'],
    ['a name every object has', ['constructor'], 'is not a command'],
  ])('%s ends with 2 and a sentence', (_, words, says) => {
    const result = at({ a: srt, 'e.srt': '', x: '{"a": 1}', 'p.srt': Uint8Array.of(0x89, 0x50, 0x4e, 0x47) }, ...words);
    expect(result.ending).toBe(2);
    expect(result.muttered).toContain(says);
    expect(result.said + Object.keys(result.written).join('')).toBe('');
  });
});

it('lists the house styles, and prints one as a file', () => {
  expect(at({}, 'styles').said).toContain('lecture-38  Lecture 38: 38 characters a line');
  expect(JSON.parse(at({}, 'styles', 'lecture-38').said)).toMatchObject({ schema: 3, id: 'lecture-38' });
});

describe('fenwix retime', () => {
  const two = '1\n00:00:10,000 --> 00:00:12,000\nOne\n\n2\n00:01:00,000 --> 00:01:02,000\nTwo\n';
  const timesOf = (text: string | undefined): readonly string[] =>
    [...(text ?? '').matchAll(/\d\d:(\d\d:\d\d,\d{3}) --> \d\d:(\d\d:\d\d,\d{3})/g)].map(
      ([, start, end]) => `${start ?? ''}–${end ?? ''}`,
    );
  const retimed = (...words: string[]) => {
    const done = at({ 'a.srt': two }, 'retime', 'a.srt', 'b.srt', ...words);
    return { ...done, times: timesOf(done.written['b.srt']) };
  };

  it('does one thing after another, in the order it was asked for', () => {
    expect(retimed('--shift', '1000', '--scale', '1:2').times).toEqual(['00:22,000–00:26,000', '02:02,000–02:06,000']);
    expect(retimed('--scale', '1:2', '--shift', '1000').times).toEqual(['00:21,000–00:25,000', '02:01,000–02:05,000']);
  });
  it('takes ties in a row for one line, and times in both forms', () => {
    expect(retimed('--tie', '10000=0:00:11.500', '--tie', '1:00=0:01:03').times).toEqual([
      '00:11,500–00:13,560',
      '01:03,000–01:05,060',
    ]);
    const { ending, muttered, written } = retimed('--tie', '10000=20000', '--tie', '60000=15000');
    expect([ending, written]).toEqual([2, {}]);
    expect(muttered).toContain('cross');
  });
  it('puts a frame rate right, begins and ends at pictures, and takes a cut out', () => {
    expect(retimed('--rate', '25:24').times[1]).toBe('01:02,500–01:04,583');
    expect(retimed('--shift', '13', '--snap', '25').times[0]).toBe('00:10,000–00:12,000');
    const { times, said } = retimed('--cut', '5000-20000', '--json');
    expect(times).toEqual(['00:45,000–00:47,000']);
    expect(JSON.parse(said)).toEqual({
      moved: 1,
      left: [{ start: 10_000, end: 12_000, why: 'it was in what was cut' }],
      median: -15_000,
    });
  });
  it('borrows the times of another language, says by which ties, and refuses what says something else', () => {
    const of = (rows: readonly (readonly [number, string])[]): string =>
      rows
        .map(([at, text], i) => `${String(i + 1)}\n00:00:${String(at)},000 --> 00:00:${String(at + 2)},000\n${text}\n`)
        .join('\n');
    const french = of([
      [20, 'Bienvenue à l’école de nuit.'],
      [24, 'Pourquoi la lampe ?'],
      [29, 'À Alder Hall, comptez jusqu’à 30.'],
    ]);
    const english = of([
      [10, 'Welcome to night school.'],
      [14, 'Why the lamp?'],
      [19, 'At Alder Hall, count to 30.'],
    ]);
    const files = { 'fr.srt': french, 'en.srt': english, 'two.srt': two };
    const done = at(files, 'retime', 'fr.srt', 'b.srt', '--borrow', 'en.srt');
    expect(timesOf(done.written['b.srt'])).toEqual([
      '00:10,000–00:12,000',
      '00:14,000–00:16,000',
      '00:19,000–00:21,000',
    ]);
    expect(done.muttered).toMatch(/tie 00:20\.\d+ = 00:10\.\d+: 0 ms from the others\n/);
    expect(at(files, 'retime', 'fr.srt', 'b.srt', '--borrow', 'two.srt')).toMatchObject({ ending: 2, written: {} });
  });
  it('follows a recording that was cut again, says what became of it, and refuses another', () => {
    const old = new Uint8Array(readFileSync('fixtures/recordings/fog-signals.wav'));
    const form = wavForm(old, old.length);
    if (!form) throw new Error('It is a WAV file.');
    const part = (from: number, to: number): Uint8Array =>
      old.slice(form.at + (from * form.rate * 2) / 1000, form.at + (to * form.rate * 2) / 1000);
    const [head, first, last] = [old.slice(0, form.at), part(0, 5000), part(8000, 31_000)];
    const cut = new Uint8Array(head.length + first.length + last.length);
    cut.set(head);
    cut.set(first, head.length);
    cut.set(last, head.length + first.length);
    const files = { 'a.srt': two.replaceAll('00:01:0', '00:00:2'), 'old.wav': old, 'new.wav': cut };
    const done = at(files, 'retime', 'a.srt', 'b.srt', '--recut', 'old.wav', 'new.wav');
    expect(done.muttered).toMatch(/^(2\.9|3\.0)\d s cut, 00:00:0(4\.9|5\.0)\d+ to 00:00:0(7\.9|8\.0)\d+\n/);
    const [start = ''] = timesOf(done.written['b.srt']);
    expect(Math.abs(Number(start.slice(3, 5)) * 1000 + Number(start.slice(6, 9)) - 7000)).toBeLessThanOrEqual(100);
    const other = { ...files, 'new.wav': new Uint8Array(readFileSync('fixtures/speech/night-school.wav')) };
    expect(at(other, 'retime', 'a.srt', 'b.srt', '--recut', 'old.wav', 'new.wav')).toMatchObject({
      ending: 2,
      written: {},
      muttered: expect.stringContaining('nothing of old.wav was found in new.wav') as string,
    });
    expect(at(files, 'retime', 'a.srt', 'b.srt', '--recut', 'old.wav')).toMatchObject({ ending: 2, written: {} });
  });
  it('tells what would lie before the beginning, and what it does not understand, with nothing written', () => {
    expect(JSON.parse(retimed('--shift', '-20000', '--json').said)).toMatchObject({
      moved: 1,
      left: [{ start: 10_000 }],
    });
    for (const words of [
      ['--shift', 'soon'],
      ['--tie', '10'],
      ['--rate', '25'],
      ['--scale', '0:1'],
      ['--snap', 'x'],
      [],
    ])
      expect(retimed(...words)).toMatchObject({ ending: 2, written: {} });
  });
});

describe('fenwix compare', () => {
  it('says how many words differ and how far apart captions begin, in words and as JSON', () => {
    const a =
      '1\n00:00:01,000 --> 00:00:03,000\nThe lower gate\nis shut.\n\n2\n00:00:05,000 --> 00:00:06,000\nWait here.\n';
    const b =
      '1\n00:00:01,400 --> 00:00:03,000\nthe lower gates is shut\n\n2\n00:00:05,200 --> 00:00:06,000\nwait here\n';
    const files = { 'a.srt': a, 'b.srt': b };
    expect(JSON.parse(at(files, 'compare', 'a.srt', 'b.srt', '--json').said)).toEqual({
      wer: 1 / 7,
      cer: 1 / 32,
      substitutions: 1,
      deletions: 0,
      insertions: 0,
      words: 7,
      offset: { median: 300, p90: 380, max: 400 },
    });
    expect(at(files, 'compare', 'a.srt', 'b.srt').said).toMatch(
      /^7 words in a\.srt: 14\.3 % wrong in b\.srt \(1 others.*\n.*300 ms later in the middle/,
    );
  });
});

describe('captions that are not timed', () => {
  const text = 'The gate opens.\n\nThe boat goes in.\n';

  it('never get a made-up time in silence', () => {
    const { ending, muttered, written } = at({ 't.txt': text }, 'convert', 't.txt', 'out.srt', '--from', 'txt');
    expect([ending, written]).toEqual([2, {}]);
    expect(muttered).toContain('2 captions are not timed, and no other is there: the SRT file would be empty.');
  });

  it('get one where that is asked for, which is said', () => {
    const args = ['convert', 't.txt', 'out.srt', '--from', 'txt', '--keep-untimed'];
    const { ending, muttered, written } = at({ 't.txt': text }, ...args);
    expect(ending).toBe(0);
    expect(muttered).toContain('2 captions are not timed; their times are made up.');
    expect(written['out.srt']).toContain('The boat goes in.');
  });

  it('stay where a file has no times', () => {
    expect(at({ 't.txt': text }, 'convert', 't.txt', 'out.html', '--from', 'txt').written['out.html']).toContain(
      'gate',
    );
  });
});

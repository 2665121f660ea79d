import { readFileSync } from 'node:fs';
import { CannotDo } from './arguments.ts';
import { run } from './commands.ts';

/** A desk over files in memory. */
function at(files: Record<string, string | Uint8Array>, ...words: string[]) {
  const written: Record<string, string> = {};
  let said = '';
  let muttered = '';
  const ending = run(words, {
    read(path) {
      const file = files[path];
      if (file === undefined) throw new CannotDo(`${path} could not be read: there is no such file.`);
      return typeof file === 'string' ? new TextEncoder().encode(file) : file;
    },
    write: (path, text) => (written[path] = text),
    say: (text) => (said += text),
    mutter: (text) => (muttered += text),
  });
  return { ending, said, muttered, written };
}

const srt = '1\n00:00:01,000 --> 00:00:03,000\n<i>The gate</i>\nis shut.\n';
const late = '1\n00:00:03,000 --> 00:00:01,000\nOne\n';

describe('fenwix read', () => {
  it('gives captions in milliseconds, without markup, and what was mended', () => {
    expect(JSON.parse(at({ 'a.srt': srt }, 'read', 'a.srt', '--json').said)).toEqual({
      format: 'srt',
      captions: [{ start: 1000, end: 3000, text: 'The gate\nis shut.' }],
      mended: [],
    });
    expect(JSON.parse(at({ '-': late }, 'read', '-', '--json').said)).toMatchObject({
      captions: [{ start: 1000, end: 3000 }],
      mended: [{ line: 2 }],
    });
    const vtt = 'WEBVTT\n\n00:01.000 --> 00:02.000 line:0\n<v Keeper>Wait.';
    expect(JSON.parse(at({ a: vtt }, 'read', 'a', '--json').said)).toMatchObject({
      captions: [{ text: 'Wait.', settings: 'line:0', speaker: 'Keeper' }],
    });
  });

  it('says the same to people', () => {
    expect(at({ 'a.srt': srt }, 'read', 'a.srt').said).toBe(
      'a.srt: srt, 1 captions\n00:00:01.00 – 00:00:03.00  The gate / is shut.\n',
    );
  });
});

describe('fenwix convert', () => {
  it('writes what the file name or --to asks for', () => {
    expect(at({ 'a.srt': srt }, 'convert', 'a.srt', 'b.vtt')).toMatchObject({
      ending: 0,
      written: { 'b.vtt': 'WEBVTT\n\n00:00:01.000 --> 00:00:03.000\n<i>The gate</i>\nis shut.\n' },
    });
    expect(at({ 'a.srt': srt }, 'convert', 'a.srt', '-', '--to', 'srt', '--crlf').written['-']).toBe(
      srt.replace(/\n/g, '\r\n'),
    );
  });

  it('makes captions of a machine draft', () => {
    const ctm = readFileSync('demo/recordings/lock-after-dark/machine-draft.ctm');
    const { written } = at({ 'draft.ctm': ctm }, 'convert', 'draft.ctm', 'out.srt');
    expect(written['out.srt']).toMatch(/^1\n00:00:01,\d{3} --> /);
  });

  it('ends with 1 under --strict when it mended something, and says what', () => {
    expect(at({ a: late }, 'convert', 'a', 'b.srt')).toMatchObject({ ending: 0 });
    expect(at({ a: late }, 'convert', 'a', 'b.srt', '--strict')).toMatchObject({
      ending: 1,
      muttered: 'line 2: The end came before the start; the two were exchanged.\n',
    });
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

  it('takes the style it is told', () => {
    expect(at({ a: srt }, 'check', 'a', '--style', 'upright-17').ending).toBe(0);
    expect(at({ a: fast }, 'check', 'a', '--style', 'upright-17').said).toContain('line-too-long');
    expect(at({ a: srt }, 'check', 'a', '--style', 'nonsense')).toMatchObject({
      ending: 2,
      muttered: expect.stringContaining('lecture-38') as string,
    });
  });
});

describe('what cannot be done', () => {
  it.each([
    ['a file that is not there', ['read', 'gone.srt'], 'there is no such file'],
    ['a picture', ['read', 'p.srt'], 'p.srt: The file is a PNG picture'],
    ['an empty file', ['read', 'e.srt'], 'e.srt: The file is empty'],
    ['an option that is not known', ['read', 'a', '--loud'], '--loud is not known'],
    ['an option without its value', ['check', 'a', '--style'], '--style needs a value'],
    ['no file', ['check'], 'One file was expected'],
    ['a format that is not clear', ['convert', 'a', 'b.xyz'], 'Name the format'],
    ['a command that is none', ['paint'], 'is not a command'],
    ['a name every object has', ['constructor'], 'is not a command'],
  ])('%s ends with 2 and a sentence', (_, words, says) => {
    const result = at({ a: srt, 'e.srt': '', 'p.srt': Uint8Array.of(0x89, 0x50, 0x4e, 0x47) }, ...words);
    expect(result.ending).toBe(2);
    expect(result.muttered).toContain(says);
    expect(result.said + Object.keys(result.written).join('')).toBe('');
  });
});

it('lists the house styles, and prints one as a file', () => {
  expect(at({}, 'styles').said).toContain('lecture-38  Lecture 38: 38 characters a line');
  expect(JSON.parse(at({}, 'styles', 'lecture-38').said)).toMatchObject({ schema: 1, id: 'lecture-38' });
});

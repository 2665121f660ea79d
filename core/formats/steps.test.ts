/**
 * Reading and writing are one pass: twice the text takes twice the steps. Steps are counted, not timed:
 * every character a string method or a pattern goes over is one, and every item an array is gone over.
 */
import { plainly } from './sheet.ts';
import { asked, bytes } from './arbitrary.ts';
import { withIds } from './cue.ts';
import { Unreadable } from './format.ts';
import { formats, importCaptions, writable } from './registry.ts';

type Method = (this: string, ...args: unknown[]) => unknown;

/** What a call costs at most, by what it was given and gave back. */
const costs: Readonly<Record<string, (text: string, args: readonly unknown[], result: unknown) => number>> = {
  charCodeAt: () => 1,
  charAt: () => 1,
  startsWith: (_, [what]) => String(what).length,
  endsWith: (_, [what]) => String(what).length,
  indexOf: (text, [, from = 0], result) =>
    1 + ((result as number) < 0 ? text.length : (result as number)) - Number(from),
  includes: (text) => text.length,
  slice: (_, __, result) => 1 + (result as string).length,
  trim: (text) => text.length,
  trimEnd: (text, _, result) => 1 + text.length - (result as string).length,
  trimStart: (text, _, result) => 1 + text.length - (result as string).length,
  split: (text) => text.length,
  replace: (text) => text.length,
  replaceAll: (text) => text.length,
  match: (text) => text.length,
  search: (text) => text.length,
  toLowerCase: (text) => text.length,
  toUpperCase: (text) => text.length,
};

/** Methods that go over a whole array, or as far as they find something. */
const scans = [
  'filter',
  'find',
  'findIndex',
  'findLast',
  'findLastIndex',
  'flatMap',
  'map',
  'some',
  'every',
  'includes',
  'indexOf',
  'reduce',
  'forEach',
  'splice',
] as const;

/** Steps taken by strings and over arrays while something is done. */
function stepsOf(deed: () => void): number {
  let steps = 0;
  const arrays = Array.prototype as unknown as Record<string, (this: unknown[], ...args: unknown[]) => unknown>;
  const savedScans = scans.map((name) => [name, arrays[name]] as const);
  for (const [name, method] of savedScans) {
    if (!method) continue;
    arrays[name] = function (...args) {
      steps += 1 + this.length;
      return method.apply(this, args);
    };
  }
  const strings = String.prototype as unknown as Record<string, Method>;
  const saved = Object.keys(costs).map((name) => [name, strings[name]] as const);
  // oxlint-disable-next-line typescript/unbound-method -- put back as it was
  const { exec } = RegExp.prototype;
  for (const [name, method] of saved) {
    if (!method) continue;
    strings[name] = function (...args) {
      const result = method.apply(this, args);
      steps += Math.max(0, costs[name]?.(this.valueOf(), args, result) ?? 0);
      return result;
    };
  }
  RegExp.prototype.exec = function (text) {
    const from = this.global ? this.lastIndex : 0;
    const found = exec.call(this, text);
    steps += 1 + (found ? found.index + found[0].length : text.length) - from;
    return found;
  };
  try {
    deed();
  } finally {
    for (const [name, method] of saved) if (method) strings[name] = method;
    for (const [name, method] of savedScans) if (method) arrays[name] = method;
    RegExp.prototype.exec = exec;
  }
  return steps;
}

const cue = (i: number, text: string): string =>
  `${String(i + 1)}\n00:${String(Math.floor(i / 60) % 60).padStart(2, '0')}:${String(i % 60).padStart(2, '0')},000 --> 01:00:00,000\n${text}\n\n`;
const many = (n: number, of: (i: number) => string): string => Array.from({ length: n }, (_, i) => of(i)).join('');

/** Files of a size, each as awkward as it gets for somebody. */
const awkward: Readonly<Record<string, (n: number) => string>> = {
  'usual SRT': (n) => many(n, (i) => cue(i, '<i>The gate</i>\nis shut.')),
  'SRT with everything to repair': (n) =>
    many(n, (i) => cue(i, '<i>{\\an8}a\n\n<b>b').replace('-->', '->').replace(/,/g, '.')),
  'one SRT text of tags left open': (n) => cue(0, '<i><b>'.repeat(n * 10)),
  'one SRT text of signs that open nothing': (n) => cue(0, '<'.repeat(n * 40)),
  'one SRT text of braces': (n) => cue(0, '{\\'.repeat(n * 20)),
  'one SRT text of blank lines': (n) => `${cue(0, 'a')}${'\n '.repeat(n * 20)}x`,
  'lines that are nearly times': (n) => `${cue(0, 'a')}${'00:00:01,000 --\n'.repeat(n * 4)}`,
  'usual WebVTT': (n) =>
    `WEBVTT\n\n${many(n, (i) => cue(i, '<v Keeper>The <i>gate</i> &amp; is</v>').replace(/,/g, '.'))}`,
  'WebVTT of one block without an arrow': (n) => `WEBVTT\n\n00:01.000 --> 00:02.000\na\n\n${'text\n'.repeat(n * 10)}`,
  'WebVTT of arrows': (n) => `WEBVTT\n\n00:01.000 --> 00:02.000\na\n\n${'-->\n'.repeat(n * 10)}`,
  'one WebVTT cue of tags': (n) => `WEBVTT\n\n00:01.000 --> 00:02.000\n${'<c.a><b>&amp;</i>'.repeat(n * 4)}`,
  'one WebVTT cue of signs that open nothing': (n) => `WEBVTT\n\n00:01.000 --> 00:02.000\n${'&<'.repeat(n * 20)}`,
  TTML: (n) =>
    `<tt><body><div>${many(n, (i) => `<p begin="${String(i)}s" dur="1s">The <span>gate</span> &amp; x</p>\n`)}</div></body></tt>`,
  'TTML never closed': (n) => `<tt><body><div>${'<p begin="1s" dur="1s"><span>'.repeat(n)}`,
  'TTML of bare ampersands': (n) => `<tt><body><div><p begin="1s" dur="1s">${'& <![CDATA['.repeat(n * 2)}`,
  'timed text': (n) => many(n, (i) => `0:00:${String(i % 60).padStart(2, '0')}.000,0:01:00.000\nThe gate\n\n`),
  CTM: (n) => many(n, (i) => `reel 1 ${String(i)}.00 0.30 word 0.9\n`),
  'a transcript': (n) => many(n, () => 'KEEPER: The lower gate is shut and the water falls.\n\n'),
  'a transcript of one paragraph': (n) => 'the gate is shut '.repeat(n * 3),
  HTML: (n) => many(n, () => '<p>The <i>gate</i> is <b>shut &amp; dry</p>\n'),
  'HTML of one line': (n) => `<body>${many(n * 4, () => '<p>the gate')}`,
  'WebVTT of time lines alone': (n) => `WEBVTT\n\n${'00:01.000 --> 00:02.000\n'.repeat(n * 4)}`,
  'SRT of time lines alone': (n) => '00:00:01,000 --> 00:00:02,000\n'.repeat(n * 4),
  'one WebVTT cue of ruby': (n) => `WEBVTT\n\n00:01.000 --> 00:02.000\n${'<ruby>a<rt>b</rt></ruby>'.repeat(n * 2)}`,
  'one WebVTT cue of word times': (n) =>
    `WEBVTT\n\n00:00.000 --> 02:00:00.000\n${many(n * 2, (i) => `<00:${String(Math.floor(i / 60)).padStart(2, '0')}:${String(i % 60).padStart(2, '0')}.500>word `)}`,
  'CTM of words at one time': (n) => many(n * 2, () => 'reel 1 1.00 0.20 word 0.9\n'),
  'TTML inside one another': (n) =>
    `<tt><body>${'<div>'.repeat(n * 2)}<p begin="0s" end="2s">deep</p>${'</div>'.repeat(n * 2)}`,
  'TTML of empty paragraphs': (n) => `<tt><body><div>${'<p/>'.repeat(n * 4)}</div></body></tt>`,
  'HTML never closed': (n) => `<p>${'<i><font color=red>a'.repeat(n * 2)}`,
};

it.each(Object.keys(awkward))('%s: twice the text, twice the steps', (name) => {
  const steps = (n: number): number => {
    const file = bytes(awkward[name]?.(n) ?? '');
    return stepsOf(() => {
      try {
        const { captions, language, foreign } = importCaptions(file, { ...asked, rescue: true });
        let made = 0;
        const sheet = { captions: withIds(captions, () => String(++made)), title: 'Lock', language, foreign };
        for (const { writer } of writable) writer.write(sheet, { ...plainly, wordTimes: true });
      } catch (error) {
        if (!(error instanceof Unreadable)) throw error;
      }
    });
  };
  const [once, twice] = [steps(200), steps(400)];
  expect(once).toBeGreaterThan(1000);
  expect(twice / once).toBeLessThan(2.3);
});

it('knows work that grows faster when it sees it', () => {
  const quadratic = (n: number) => (): void => {
    const text = 'a'.repeat(n);
    for (let i = 0; i < n; i++) text.slice(i).trim();
  };
  expect(stepsOf(quadratic(400)) / stepsOf(quadratic(200))).toBeGreaterThan(3.5);
  expect(formats.length).toBeGreaterThan(7);
});

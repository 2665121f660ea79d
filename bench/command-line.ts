/** Processor time of `fenwix` on the command line, start-up included, for files of about a megabyte that are awkward to somebody. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export interface ProcessorTime {
  readonly name: string;
  /** User and system, in ms. */
  readonly ms: number;
  readonly most: number;
}

/** A track file of one caption that is marked all over. */
const track = (marks: number): string =>
  JSON.stringify({
    fenwix: 'track',
    version: 1,
    title: 'marks',
    language: 'en',
    foreign: null,
    captions: [
      {
        ...{ id: 'a', start: 0, end: 7_200_000, timing: 'set', text: 'ab '.repeat(marks) },
        marks: Array.from({ length: marks }, (_, i) => ({ from: i * 3, to: i * 3 + 2, kind: 'italic', value: '' })),
        ...{ speakers: [], words: [], placement: null, proofed: false, letBe: [], foreign: null },
      },
    ],
  });

const many = (n: number, of: (i: number) => string): string => Array.from({ length: n }, (_, i) => of(i)).join('');
const two = (n: number): string => String(n).padStart(2, '0');
const clock = (i: number): string => `${two(Math.floor(i / 3600))}:${two(Math.floor(i / 60) % 60)}:${two(i % 60)}.500`;
const cue = '00:00:00,000 --> 02:00:00,000\n';
const vtt = `WEBVTT\n\n${cue.replaceAll(',', '.')}`;

/** Files by name, a megabyte each or less. */
const shapes: Readonly<Record<string, () => string>> = {
  '40,000 word times in one cue.vtt': () => vtt + many(40_000, (i) => `<${clock(i)}>word `),
  '130,000 words in one caption.srt': () => `1\n${cue}${'word '.repeat(130_000)}`,
  '60,000 elements inside one another.ttml': () =>
    `<tt><body>${'<div>'.repeat(60_000)}<p begin="0s" end="2s">deep</p>${'</div>'.repeat(60_000)}</body></tt>`,
  '200,000 paragraphs in one line.html': () => `<body>${'<p>a'.repeat(200_000)}`,
  '300,000 right-to-left marks.srt': () => `1\n${cue}${'\u200f'.repeat(300_000)}`,
  '40,000 ruby spans.vtt': () => vtt + '<ruby>a<rt>b</rt></ruby>'.repeat(40_000),
  '40,000 words at one time.ctm': () => 'reel 1 1.00 0.20 word 0.9\n'.repeat(40_000),
  '33,000 time lines.srt': () => '00:00:01,000 --> 00:00:02,000\n'.repeat(33_000),
  '900,000 signs that open nothing.html': () => `<p>hello</p>${'<'.repeat(900_000)}`,
  '135,000 characters by name.html': () => `<p>${'&notin;'.repeat(135_000)}</p>`,
  '250,000 arrows in one cue.srt': () => `1\n${cue}${'-->\n'.repeat(250_000)}`,
  '35,000 words before the beginning.ctm': () => 'reel 1 -5.00 0.20 word 0.9\n'.repeat(35_000),
  '35,000 words that end before they begin.ctm': () => 'reel 1 1.00 -1.00 word 0.9\n'.repeat(35_000),
  '15,000 marks on one caption.json': () => track(15_000),
  'AB without end.srt': () => `1\n${cue}${'AB '.repeat(333_000)}`,
  'angle brackets without end.srt': () => `1\n${cue}${'>> '.repeat(333_000)}`,
  'commas without end.srt': () => `1\n${cue}${'a, '.repeat(333_000)}`,
  'AB without end.txt': () => 'AB '.repeat(333_000),
  'commas without end.txt': () => 'a, '.repeat(333_000),
  '20,000 cues of no length.srt': () =>
    many(20_000, (i) => `${String(i + 1)}\n00:00:01,000 --> 00:00:01,000\nthe gate\n\n`),
  '100,000 labelled lines in one cue.srt': () => `1\n${cue}${'BOB: hi\n'.repeat(100_000)}`,
  '100,000 labelled lines.txt': () => 'BOB: hi\n'.repeat(100_000),
  '333,000 words in one cue.srt': () => `1\n${cue}${'ab '.repeat(333_000)}`,
};

const commands = ['read', 'check', 'repair', 'reflow', 'reflow --all', 'convert'];
const most = 3000;
/** A command is ended after so much processor time, in s. */
const givenUp = 60;

/** Runs each command once on each file, a process of its own. @param only files whose names have this in them */
export function commandLineFigures(only = ''): readonly ProcessorTime[] {
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-bench-'));
  const asked = Object.entries(shapes).filter(([name]) => name.includes(only));
  const found = asked.flatMap(([name, make]) => {
    const file = join(folder, name.replaceAll(/[ ,]/g, '-'));
    writeFileSync(file, make());
    return commands.map((command): ProcessorTime => {
      const out = command === 'read' || command === 'check' ? [] : [join(folder, 'out.vtt')];
      const [named = '', ...flags] = command.split(' ');
      const words = ['dist/cli.mjs', named, file, ...out, ...flags].map((word) => `'${word}'`).join(' ');
      // The shell tells what its children took.
      const { stdout } = spawnSync(
        'sh',
        ['-c', `ulimit -t ${String(givenUp)}; '${process.execPath}' ${words} >/dev/null 2>&1; times`],
        {
          encoding: 'utf8',
        },
      );
      const [, children = ''] = stdout.trim().split('\n');
      const seconds = [...children.matchAll(/(\d+)m([\d.]+)s/g)].map(([, m, s]) => Number(m) * 60 + Number(s));
      return { name: `${command}: ${name}`, ms: Math.round(seconds.reduce((sum, s) => sum + s, 0) * 1000), most };
    });
  });
  rmSync(folder, { recursive: true });
  return found;
}

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
};

const commands = ['read', 'check', 'repair', 'reflow', 'convert'];
const most = 3000;

/** Runs each command once on each file, a process of its own. */
export function commandLineFigures(): readonly ProcessorTime[] {
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-bench-'));
  const found = Object.entries(shapes).flatMap(([name, make]) => {
    const file = join(folder, name.replaceAll(/[ ,]/g, '-'));
    writeFileSync(file, make());
    return commands.map((command): ProcessorTime => {
      const out = command === 'read' || command === 'check' ? [] : [join(folder, 'out.vtt')];
      const words = ['dist/cli.mjs', command, file, ...out].map((word) => `'${word}'`).join(' ');
      // The shell tells what its children took.
      const { stdout } = spawnSync('sh', ['-c', `'${process.execPath}' ${words} >/dev/null 2>&1; times`], {
        encoding: 'utf8',
      });
      const [, children = ''] = stdout.trim().split('\n');
      const seconds = [...children.matchAll(/(\d+)m([\d.]+)s/g)].map(([, m, s]) => Number(m) * 60 + Number(s));
      return { name: `${command}: ${name}`, ms: Math.round(seconds.reduce((sum, s) => sum + s, 0) * 1000), most };
    });
  });
  rmSync(folder, { recursive: true });
  return found;
}

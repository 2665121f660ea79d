/**
 * Makes the demo recordings, their true scripts and their machine drafts.
 *
 * Needs Debian's ffmpeg, flite, pocketsphinx and pocketsphinx-en-us. The results are committed, so only somebody who
 * changes a script has to run it, naming the recordings: `npm run demo:make fog-signals`; with `-- --script-only` what is
 * told of the recordings is written again, and they stay.
 */
import { execFileSync, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { fogPainter, fogSize } from './fog-picture.ts';
import { fogSignals } from './fog-signals.script.ts';
import { keepersRound } from './keepers-round.script.ts';
import { lockAfterDark, lowerThirds } from './lock-after-dark.script.ts';
import { frameRate, height, painter, width } from './lock-picture.ts';
import type { DemoScript } from './script.ts';
import { makeSound, sampleRate, type Placed } from './sound.ts';

/** What is drawn to the sound. */
interface Picture {
  readonly width: number;
  readonly height: number;
  readonly paint: (n: number) => Uint8Array;
  /** ffmpeg's filters over it. */
  readonly filters: readonly string[];
}
const opus = ['-c:a', 'libopus', '-ar', '48000'];
const font = resolve(
  'node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
);

/** The lower-third titles as a chain of ffmpeg drawtext filters. */
function titles(placed: Placed): string {
  return lowerThirds
    .flatMap(({ from, to, title, role }) => {
      const start = ((placed.sentences[from]?.start ?? 0) / 1000).toFixed(2);
      const end = ((placed.sentences[to]?.end ?? 0) / 1000).toFixed(2);
      const when = `enable='between(t,${start},${end})'`;
      return [
        `drawbox=x=64:y=566:w=520:h=96:color=0x10201f@0.85:t=fill:${when}`,
        `drawbox=x=64:y=566:w=8:h=96:color=0xb97700:t=fill:${when}`,
        `drawtext=fontfile=${font}:text='${title}':x=92:y=580:fontsize=34:fontcolor=0xfffefb:${when}`,
        `drawtext=fontfile=${font}:text='${role}':x=92:y=624:fontsize=24:fontcolor=0xa3b7b0:${when}`,
      ];
    })
    .join(',');
}

async function film(placed: Placed, folder: string, out: string, picture: Picture): Promise<void> {
  const { paint, filters } = picture;
  const ffmpeg = spawn(
    'ffmpeg',
    [
      '-y',
      '-loglevel',
      'error',
      '-f',
      'rawvideo',
      '-pix_fmt',
      'rgb24',
      '-s',
      `${String(picture.width)}x${String(picture.height)}`,
      '-r',
      String(frameRate),
      '-i',
      '-',
      '-i',
      join(folder, 'sound.wav'),
      '-vf',
      [...filters, 'format=yuv420p'].join(','),
      '-c:v',
      'libvpx-vp9',
      '-b:v',
      '0',
      '-crf',
      '40',
      '-deadline',
      'good',
      '-cpu-used',
      '4',
      '-row-mt',
      '1',
      '-g',
      '125',
      ...opus,
      '-b:a',
      '48k',
      '-shortest',
      join(out, 'recording.webm'),
    ],
    { stdio: ['pipe', 'inherit', 'inherit'] },
  );
  const done = once(ffmpeg, 'exit');
  const frames = Math.round((placed.length * frameRate) / 1000);
  for (let n = 0; n < frames; n++) {
    if (!ffmpeg.stdin.write(Buffer.from(paint(n)))) await once(ffmpeg.stdin, 'drain');
  }
  ffmpeg.stdin.end();
  const [code] = (await done) as [number];
  if (code !== 0) throw new Error(`ffmpeg ended with ${String(code)}`);
}

/** The small picture that stands for the recording, as a page would draw it. */
function poster(out: string): void {
  const [recording, picture] = [join(out, 'recording.webm'), join(out, 'poster.jpg')];
  const frame = ['-frames:v', '1', '-vf', 'scale=256:-2', '-q:v', '4'];
  execFileSync('ffmpeg', ['-y', '-loglevel', 'error', '-ss', '8', '-i', recording, ...frame, picture]);
}

/** Runs the recogniser and writes what it heard, word for word, as CTM. */
function recognise(folder: string, out: string, name: string): void {
  const heard = execFileSync(
    'pocketsphinx_continuous',
    ['-infile', join(folder, 'sound.wav'), '-samprate', String(sampleRate), '-time', 'yes', '-logfn', '/dev/null'],
    { encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  const lines = heard.split('\n').flatMap((line) => {
    const match = /^(\S+) (\d+\.\d+) (\d+\.\d+) ([\d.e+-]+)$/.exec(line);
    if (!match) return [];
    const [, token = '', start = '0', end = '0', certainty = '0'] = match;
    if (/^(<.*>|\[.*\])$/.test(token)) return [];
    const word = token.replace(/\(\d+\)$/, '');
    return [
      `${name} 1 ${start} ${(Number(end) - Number(start)).toFixed(3)} ${word} ${Math.min(1, Number(certainty)).toFixed(3)}`,
    ];
  });
  writeFileSync(
    join(out, 'machine-draft.ctm'),
    `;; machine draft by pocketsphinx, as it left it\n${lines.join('\n')}\n`,
  );
}

/** The sound by itself, where a recording has no picture. */
function soundOnly(folder: string, out: string): void {
  const how = ['-y', '-loglevel', 'error', '-i', join(folder, 'sound.wav'), ...opus, '-b:a', '24k'];
  execFileSync('ffmpeg', [...how, join(out, 'recording.ogg')]);
}

/** The true script alone is written: the voices say the same again as when the recording was made. */
const scriptOnly = process.argv.includes('--script-only');

async function make(script: DemoScript): Promise<void> {
  const out = resolve('demo/recordings', script.name);
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-demo-'));
  try {
    mkdirSync(out, { recursive: true });
    const placed = makeSound(folder, script);
    const { title, language } = script;
    writeFileSync(join(out, 'true-script.json'), `${JSON.stringify({ title, language, ...placed }, null, 2)}\n`);
    if (scriptOnly) return;
    recognise(folder, out, script.name);
    if (script === lockAfterDark) {
      await film(placed, folder, out, { width, height, paint: painter(placed), filters: [titles(placed)] });
      poster(out);
    } else if (script === fogSignals) {
      await film(placed, folder, out, { ...fogSize, paint: fogPainter(placed, frameRate), filters: [] });
      poster(out);
    } else soundOnly(folder, out);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const wanted = process.argv.slice(2).filter((each) => each !== '--script-only');
for (const script of [lockAfterDark, fogSignals, keepersRound])
  if (wanted.length === 0 || wanted.includes(script.name)) await make(script);

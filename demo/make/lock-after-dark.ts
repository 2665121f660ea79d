/**
 * Makes the demo recording *Working a lock after dark*, its true script and its machine draft.
 *
 * Needs Debian's ffmpeg, flite, pocketsphinx and pocketsphinx-en-us. The results are committed, so
 * only somebody who changes the script has to run it: `npm run demo:make`.
 */
import { execFileSync, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { frameRate, height, painter, width } from './picture.ts';
import { lowerThirds } from './script.ts';
import { makeSound, sampleRate, type Placed } from './sound.ts';

const out = resolve('demo/recordings/lock-after-dark');
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

async function film(placed: Placed, folder: string): Promise<void> {
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
      `${String(width)}x${String(height)}`,
      '-r',
      String(frameRate),
      '-i',
      '-',
      '-i',
      join(folder, 'sound.wav'),
      '-vf',
      `${titles(placed)},format=yuv420p`,
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
      '-c:a',
      'libopus',
      '-b:a',
      '48k',
      '-ar',
      '48000',
      '-shortest',
      join(out, 'recording.webm'),
    ],
    { stdio: ['pipe', 'inherit', 'inherit'] },
  );
  const done = once(ffmpeg, 'exit');
  const paint = painter(placed);
  const frames = Math.round((placed.length * frameRate) / 1000);
  for (let n = 0; n < frames; n++) {
    if (!ffmpeg.stdin.write(Buffer.from(paint(n)))) await once(ffmpeg.stdin, 'drain');
  }
  ffmpeg.stdin.end();
  const [code] = (await done) as [number];
  if (code !== 0) throw new Error(`ffmpeg ended with ${String(code)}`);
}

/** The small picture that stands for the recording, as a page would draw it. */
function poster(): void {
  const [recording, picture] = [join(out, 'recording.webm'), join(out, 'poster.jpg')];
  const frame = ['-frames:v', '1', '-vf', 'scale=256:-2', '-q:v', '4'];
  execFileSync('ffmpeg', ['-y', '-loglevel', 'error', '-ss', '8', '-i', recording, ...frame, picture]);
}

/** Runs the recogniser and writes what it heard, word for word, as CTM. */
function recognise(folder: string): void {
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
      `lock-after-dark 1 ${start} ${(Number(end) - Number(start)).toFixed(3)} ${word} ${Math.min(1, Number(certainty)).toFixed(3)}`,
    ];
  });
  writeFileSync(
    join(out, 'machine-draft.ctm'),
    `;; machine draft by pocketsphinx, as it left it\n${lines.join('\n')}\n`,
  );
}

const folder = mkdtempSync(join(tmpdir(), 'fenwix-demo-'));
try {
  execFileSync('mkdir', ['-p', out]);
  const placed = makeSound(folder);
  writeFileSync(
    join(out, 'true-script.json'),
    `${JSON.stringify({ title: 'Working a lock after dark', language: 'en-GB', ...placed }, null, 2)}\n`,
  );
  recognise(folder);
  await film(placed, folder);
  poster();
} finally {
  rmSync(folder, { recursive: true, force: true });
}

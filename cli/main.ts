import { spawnSync } from 'node:child_process';
import { closeSync, fstatSync, mkdtempSync, openSync, readFileSync, readSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CannotDo } from './arguments.ts';
import { run } from './commands.ts';
import { recogniserFor } from './recogniser.ts';
import { replaceFile } from './replace-file.ts';
import type { OpenFile } from './terminal.ts';

/** Why the system would not, as a part of a sentence. */
function whyOf(error: unknown): string {
  const code = (error as NodeJS.ErrnoException).code ?? String(error);
  return (
    {
      ENOENT: 'there is no such file',
      EACCES: 'this user may not',
      EISDIR: 'it is a folder',
      ENOSPC: 'the disk is full',
      EFBIG: 'it would be larger than a file may be here',
    }[code] ?? code
  );
}

function attempt<T>(path: string, doing: string, deed: () => T): T {
  try {
    return deed();
  } catch (error) {
    throw new CannotDo(`${path} could not be ${doing}: ${whyOf(error)}.`);
  }
}

/** Uses something that is given back afterwards, at once or when what was begun has ended. */
function lent<T>(use: () => T, giveBack: () => void): T {
  let isLater = false;
  try {
    const result = use();
    if (!(result instanceof Promise)) return result;
    isLater = true;
    return result.finally(giveBack) as T;
  } finally {
    if (!isLater) giveBack();
  }
}

function open<T>(path: string, use: (file: OpenFile) => T): T {
  const fd = attempt(path, 'read', () => openSync(path, 'r'));
  const { size } = fstatSync(fd);
  const read = (at: number, length: number): Uint8Array => {
    const bytes = new Uint8Array(Math.max(0, Math.min(length, size - at)));
    const many = attempt(path, 'read', () => readSync(fd, bytes, 0, bytes.length, at));
    return bytes.subarray(0, many);
  };
  return lent(
    () => use({ size, read }),
    () => closeSync(fd),
  );
}

/** A file as the system knows it; undefined where there is none. */
const statOf = (path: string) => statSync(path, { throwIfNoEntry: false });

/** Whether two paths lead to one file, by whatever links. */
function same(a: string, b: string): boolean {
  const [one, other] = a === '-' || b === '-' ? [] : [statOf(a), statOf(b)];
  return one !== undefined && one.dev === other?.dev && one.ino === other.ino;
}

/** By ffmpeg into a file of its own, which goes again: hours of sound have no place in memory. */
function asWav<T>(path: string, use: (file: OpenFile) => T): T | null {
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-sound-'));
  const wav = join(folder, 'sound.wav');
  const convert = (): T | null => {
    const how = [
      '-v',
      'error',
      '-nostdin',
      '-i',
      `file:${path}`,
      '-vn',
      '-ac',
      '1',
      '-ar',
      '16000',
      '-c:a',
      'pcm_s16le',
      wav,
    ];
    return spawnSync('ffmpeg', how, { stdio: 'ignore' }).status === 0 ? open(wav, use) : null;
  };
  return lent(convert, () => rmSync(folder, { recursive: true, force: true }));
}

function voiceNet(): ArrayBuffer {
  const bytes = readFileSync(new URL('../core/audio/voice-net.bin', import.meta.url));
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength);
}

/** Whoever reads the output may have enough of it and leave, as `head` does: the work goes on, and nothing is wrong. */
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') return;
  process.stderr.write(`The output could not be written: ${whyOf(error)}.\n`);
  process.exitCode = 2;
});

/** What is said and not written yet: many lines go out together. */
let said = '';
const atOnce = 1 << 16;
function flush(): void {
  if (said !== '') process.stdout.write(said);
  said = '';
}

const ending = await run(process.argv.slice(2), {
  read: (path) => attempt(path, 'read', () => readFileSync(path === '-' ? 0 : path)),
  write: (path, text) =>
    attempt(path, 'written', () => {
      if (path !== '-') {
        replaceFile(path, text);
        return;
      }
      flush();
      process.stdout.write(text);
    }),
  same,
  open,
  asWav,
  voiceNet,
  recogniser(model) {
    const rules = readFileSync(new URL(`../core/audio/phones/letters-${model.model}.json`, import.meta.url), 'utf8');
    return recogniserFor(model, rules, import.meta.resolve('soundswallower'));
  },
  say(text) {
    said += text;
    if (said.length > atOnce) flush();
  },
  mutter: (text) => void process.stderr.write(text),
});
flush();
process.exitCode = ending;

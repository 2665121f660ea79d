/** For tests: the command line over files in memory. */
import { readFileSync } from 'node:fs';
import { CannotDo } from './arguments.ts';
import { run } from './commands.ts';

/** A terminal over files in memory. */
export function at(files: Record<string, string | Uint8Array>, ...words: string[]) {
  const written: Record<string, string> = {};
  let said = '';
  let muttered = '';
  const ending = run(words, {
    read(path) {
      const file = files[path];
      if (file === undefined) throw new CannotDo(`${path} could not be read: there is no such file.`);
      return typeof file === 'string' ? new TextEncoder().encode(file) : file;
    },
    open(path, use) {
      const file = files[path];
      if (typeof file !== 'object') throw new CannotDo(`${path} could not be read: there is no such file.`);
      return use({ size: file.length, read: (from, length) => file.subarray(from, from + length) });
    },
    same: (a, b) => a === b,
    asWav: () => null,
    recogniser: () => Promise.reject(new CannotDo('There is no recogniser here.')),
    voiceNet: () => new Uint8Array(readFileSync('core/audio/voice-net.bin')).buffer,
    write: (path, text) => (written[path] = text),
    say: (text) => (said += text),
    mutter: (text) => (muttered += text),
  });
  return { ending, said, muttered, written };
}

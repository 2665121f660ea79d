import { readFileSync, writeFileSync } from 'node:fs';
import { CannotDo } from './arguments.ts';
import { run } from './commands.ts';

function attempt<T>(path: string, doing: string, deed: () => T): T {
  try {
    return deed();
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code ?? String(error);
    const why =
      {
        ENOENT: 'there is no such file',
        EACCES: 'this user may not',
        EISDIR: 'it is a folder',
        ENOSPC: 'the disk is full',
      }[code] ?? code;
    throw new CannotDo(`${path} could not be ${doing}: ${why}.`);
  }
}

process.exitCode = run(process.argv.slice(2), {
  read: (path) => attempt(path, 'read', () => readFileSync(path === '-' ? 0 : path)),
  write: (path, text) =>
    attempt(path, 'written', () => (path === '-' ? void process.stdout.write(text) : writeFileSync(path, text))),
  say: (text) => void process.stdout.write(text),
  mutter: (text) => void process.stderr.write(text),
});

/** Writing a file so that there is always a whole one under its name. */
import { randomUUID } from 'node:crypto';
import {
  closeSync,
  fchmodSync,
  fsyncSync,
  openSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';

/** What was written to a path is on the disk when this is back. */
function flushed(path: string, flags: string, write: (fd: number) => void): void {
  const fd = openSync(path, flags);
  try {
    write(fd);
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
}

/**
 * Writes a text beside the file it takes the place of, and puts it there once it is on the disk: until then the old one
 * stands whole, whatever happens. A link is followed, what may be done with the file stays, and what is no file (a pipe,
 * a device) is written to as it is.
 * @throws the error of the system, with nothing changed
 */
export function replaceFile(path: string, text: string): void {
  const there = statSync(path, { throwIfNoEntry: false });
  if (there && !there.isFile()) {
    writeFileSync(path, text);
    return;
  }
  const target = there ? realpathSync(path) : path;
  const folder = dirname(target);
  const beside = join(folder, `.fenwix-${randomUUID()}`);
  try {
    flushed(beside, 'wx', (fd) => {
      if (there) fchmodSync(fd, there.mode & 0o7777);
      writeFileSync(fd, text);
    });
    renameSync(beside, target);
  } catch (error) {
    rmSync(beside, { force: true });
    throw error;
  }
  // A folder can be flushed where it can be opened, which one system does not let be done.
  if (process.platform !== 'win32') flushed(folder, 'r', () => undefined);
}

/**
 * One data folder, one server: a lock that the operating system holds for as long as the process lives.
 * It is an exclusive transaction on a small database of its own, so that a server that was killed holds
 * nothing and the next can start at once.
 */
import Database from 'better-sqlite3';
import { chmodSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CannotStart } from '../start.ts';

export interface Folder {
  /** Writes down where this server answers, for whoever tries to start another. */
  readonly tell: (address: string) => void;
  readonly release: () => void;
}

/** @throws {CannotStart} saying where the server answers that has the folder already */
export function takeFolder(folder: string): Folder {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  ownersOnly(folder);
  const addressFile = join(folder, 'address');
  const lock = new Database(join(folder, 'lock.sqlite'), { timeout: 0 });
  try {
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock.close();
    if ((error as { code?: unknown }).code !== 'SQLITE_BUSY') throw error;
    throw new CannotStart(
      `Fenwix is already running on this data folder${answersAt(addressFile)}. Open that, or stop it first.`,
    );
  }
  return {
    tell: (address) => writeFileSync(addressFile, address),
    release() {
      rmSync(addressFile, { force: true });
      lock.close();
    },
  };
}

/** Nobody else on this machine reads it. Where the folder is another’s, or its disk knows no such rights, it stays as it is. */
function ownersOnly(folder: string): void {
  try {
    chmodSync(folder, 0o700);
  } catch (error) {
    if (!['EPERM', 'ENOTSUP', 'ENOSYS'].includes(String((error as { code?: unknown }).code))) throw error;
  }
}

function answersAt(file: string): string {
  try {
    return `, at ${readFileSync(file, 'utf8')}`;
  } catch {
    return '';
  }
}

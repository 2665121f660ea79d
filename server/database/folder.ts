/**
 * One data folder, one server: a lock that the operating system holds for as long as the process lives.
 * It is an exclusive transaction on a small database of its own, so that a server that was killed holds
 * nothing and the next can start at once.
 */
import Database from 'better-sqlite3';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CannotStart } from '../start.ts';

export interface Folder {
  /** Writes down where this server answers, for whoever tries to start another. */
  readonly tell: (address: string) => void;
  readonly release: () => void;
}

/** @throws {CannotStart} saying where the server answers that has the folder already */
export function takeFolder(folder: string): Folder {
  mkdirSync(folder, { recursive: true });
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

function answersAt(file: string): string {
  try {
    return `, at ${readFileSync(file, 'utf8')}`;
  } catch {
    return '';
  }
}

/** Why a server cannot start, as a sentence for whoever starts it. */

/** A start that cannot be; the message says why and what to do. */
export class CannotStart extends Error {
  override readonly name = 'CannotStart';
}

/** What the system says when it will not, by its code. */
const reasons: Readonly<Record<string, (folder: string) => string>> = {
  EACCES: (folder) =>
    `Fenwix may not write in ${folder}. Give it the right to, or name another folder with FENWIX_DATA.`,
  EPERM: (folder) =>
    `Fenwix may not write in ${folder}. Give it the right to, or name another folder with FENWIX_DATA.`,
  EROFS: (folder) => `${folder} is on a disk that cannot be written. Name another folder with FENWIX_DATA.`,
  ENOTDIR: (folder) => `${folder} is not a folder. Name another with FENWIX_DATA.`,
  EEXIST: (folder) => `${folder} is not a folder. Name another with FENWIX_DATA.`,
  ENOSPC: (folder) => `The disk of ${folder} is full. Free some space, then start Fenwix again; what was kept is safe.`,
  SQLITE_FULL: (folder) =>
    `The disk of ${folder} is full. Free some space, then start Fenwix again; what was kept is safe.`,
  SQLITE_READONLY: (folder) =>
    `The database in ${folder} cannot be written. Give Fenwix the right to, or name another folder with FENWIX_DATA.`,
  SQLITE_CANTOPEN: (folder) =>
    `The database in ${folder} cannot be opened: Fenwix may not read or write there. Give it the right to, or name another folder with FENWIX_DATA.`,
  SQLITE_NOTADB: (folder) =>
    `fenwix.sqlite in ${folder} is not a database of Fenwix. Move that file away, or name another folder with FENWIX_DATA. It was not touched.`,
  SQLITE_CORRUPT: (folder) =>
    `The database in ${folder} is damaged. Put back a copy of the folder, or name another with FENWIX_DATA. It was not touched.`,
};

/**
 * The sentence for a start that failed.
 * @returns null for what nobody has foreseen
 */
export function startProblem(error: unknown, folder: string): string | null {
  if (error instanceof CannotStart) return error.message;
  const code = (error as { code?: unknown }).code;
  if (typeof code !== 'string') return null;
  const known = reasons[code] ?? reasons[/^SQLITE_[A-Z]+/.exec(code)?.[0] ?? ''];
  return known ? known(folder) : null;
}

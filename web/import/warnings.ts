/** What was fixed while reading a file, gathered so that nine hundred lines of one kind are one line to read. */
import type { ParseWarning } from '../../core/formats/warning.ts';

export interface WarningKind {
  /** The sentence of the first of them. */
  readonly message: string;
  readonly count: number;
  /** The first few lines of the file it was found on. */
  readonly lines: readonly number[];
  readonly lost: boolean;
}

const mostLines = 5;

/** Sentences that differ only in what they quote, or in a number, are of one kind. */
const kindOf = (message: string): string => message.replace(/“[^”]*”/g, '“”').replace(/\d+/g, '0');

/** Kinds of warnings, what was lost first, then in the order of the file. */
export function warningKinds(warnings: readonly ParseWarning[]): WarningKind[] {
  const kinds = new Map<string, { message: string; count: number; lines: number[]; lost: boolean }>();
  for (const { line, message, lost = false } of warnings) {
    const key = kindOf(message);
    const kind = kinds.get(key) ?? { message, count: 0, lines: [], lost };
    kind.count++;
    if (kind.lines.length < mostLines) kind.lines.push(line);
    kinds.set(key, kind);
  }
  return [...kinds.values()].sort((a, b) => Number(b.lost) - Number(a.lost));
}

/** `line 3`, `lines 3, 8 and 12`, `lines 3, 8, 12, 15, 19 and 40 more`. */
export function onLines({ lines, count }: WarningKind): string {
  const more = count - lines.length;
  const last = more > 0 ? `${String(more)} more` : String(lines.at(-1) ?? '');
  const before = more > 0 ? lines : lines.slice(0, -1);
  if (before.length === 0) return `line ${last}`;
  return `lines ${before.join(', ')} and ${last}`;
}

/**
 * CTM, the conversation time marks of the NIST scoring tools: one word a line, as
 * `file channel start duration word [certainty]`, with `;;` before comments. Times in seconds.
 */
import { linesOfText, Unreadable } from '../format.ts';

export interface HeardWord {
  readonly text: string;
  /** In ms. */
  readonly start: number;
  /** In ms. */
  readonly end: number;
  /** 0 to 1; 1 where the file gives none. */
  readonly certainty: number;
}

const wordLine = /^(\S+)\s+(\S+)\s+(\d+(?:\.\d+)?)\s+(\d+(?:\.\d+)?)\s+(\S+)(?:\s+(\d+(?:\.\d+)?))?/;

/** Whether a text looks like CTM: 0 to 1. */
export function detectCtm(text: string): number {
  const lines = linesOfText(text.slice(0, 4000)).filter((l) => l.trim() !== '' && !l.startsWith(';;'));
  return lines.length > 0 && lines.slice(0, -1).every((l) => wordLine.test(l)) && wordLine.test(lines[0] ?? '')
    ? 0.8
    : 0;
}

/** The words of a CTM text, in order of time. @throws {Unreadable} naming the first line that is no word */
export function readCtm(text: string): HeardWord[] {
  const words = linesOfText(text).flatMap((line, i): HeardWord[] => {
    if (line.trim() === '' || line.startsWith(';;')) return [];
    const match = wordLine.exec(line);
    if (!match)
      throw new Unreadable(
        `Line ${String(i + 1)}: “${line.slice(0, 40)}” is not a word with its times; “file channel start duration word certainty” was expected.`,
      );
    const start = Math.round(Number(match[3]) * 1000);
    return [
      {
        text: match[5] ?? '',
        start,
        end: start + Math.round(Number(match[4]) * 1000),
        certainty: Math.min(1, Number(match[6] ?? 1)),
      },
    ];
  });
  return words.sort((a, b) => a.start - b.start);
}

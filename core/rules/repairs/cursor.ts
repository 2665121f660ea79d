/**
 * A place in a long row of captions at which some become others, again and again: what is before it and what is behind
 * it are kept apart, so that neither is moved when one caption becomes two or goes.
 */
import type { Caption } from '../../model/caption.ts';
import type { Candidate } from './candidate.ts';

/** So many captions on either side are looked at: repairs reach two further, and what they make is held against two more. */
const reach = 8;

export interface Cursor {
  /** The caption at the cursor; undefined behind the last. */
  readonly here: () => Caption | undefined;
  readonly next: () => void;
  /** That caption with those around it; `at` is its place among them. */
  readonly around: () => { readonly row: readonly Caption[]; readonly at: number };
  /**
   * Puts other captions in the place of some, as they are named in `around`, and goes back to the one before them.
   * @returns those that came, and two on either side
   */
  readonly replace: (change: Candidate) => readonly Caption[];
  /** All of them in order. */
  readonly all: () => Caption[];
}

/** Begins at the first of some captions. */
export function cursorOver(captions: readonly Caption[]): Cursor {
  const before: Caption[] = [];
  /** The next to come is the last. */
  const behind = [...captions].reverse();
  const next = (): void => {
    const caption = behind.pop();
    if (caption) before.push(caption);
  };
  const back = (): void => {
    const caption = before.pop();
    if (caption) behind.push(caption);
  };
  return {
    here: () => behind.at(-1),
    next,
    around: () => ({
      row: [...before.slice(-reach), ...behind.slice(-reach - 1).reverse()],
      at: Math.min(before.length, reach),
    }),
    replace({ from, to, after }) {
      const at = Math.min(before.length, reach);
      for (let i = from; i < at; i++) back();
      for (let i = at; i < from; i++) next();
      behind.length -= to - from;
      for (const caption of [...after].reverse()) behind.push(caption);
      const near = [...before.slice(-2), ...behind.slice(-after.length - 2).reverse()];
      back();
      return near;
    },
    all: () => [...before, ...[...behind].reverse()],
  };
}

/**
 * Where a list of captions differs from the one it was made of, remembered as it is made, so that whoever
 * looks at every state of a track need not compare two long lists for each key.
 */
import type { Caption } from './caption.ts';

interface Origin {
  /** Held loosely: no list keeps the one before it alive. */
  readonly before: WeakRef<readonly Caption[]>;
  readonly at: number;
}

const origins = new WeakMap<readonly Caption[], Origin>();

/** Remembers that a list is another one with one caption changed in its place. */
export function rememberChange(before: readonly Caption[], after: readonly Caption[], at: number): void {
  origins.set(after, { before: new WeakRef(before), at });
}

/** The one place in which two lists differ, where one is remembered to have been made of the other; null otherwise. */
export function changedAt(before: readonly Caption[], after: readonly Caption[]): number | null {
  const origin = origins.get(after);
  return origin?.before.deref() === before ? origin.at : null;
}

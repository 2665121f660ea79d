/** Listening that this tab has begun, kept until what it finds is taken or left: a reload goes on with it. */
import type { PartHeard } from '../../../core/audio/align/anchors.ts';

export interface BegunListening {
  /** Names the track and the sound that is listened to. */
  readonly of: string;
  /** Ids and texts of the captions that are listened for. */
  readonly captions: readonly (readonly [id: string, text: string])[];
  /** What was heard so far, by each of those who listen. */
  readonly heard: readonly (PartHeard | null)[];
}
const key = 'fenwix-listening';

/** Where the browser has no room for it, a reload begins from the start. */
export function keepListening(begun: BegunListening): void {
  try {
    sessionStorage.setItem(key, JSON.stringify(begun));
  } catch {
    sessionStorage.removeItem(key);
  }
}
export const forgetListening = (): void => sessionStorage.removeItem(key);
/** What was begun before this page was opened; null for nothing. */
export function begunListening(): BegunListening | null {
  const kept = sessionStorage.getItem(key);
  return kept === null ? null : (JSON.parse(kept) as BegunListening);
}

/** Captions marked to be come back to, and what for. */
import type { Caption } from '../../../core/model/caption.ts';
import { longestNote } from '../../../core/model/edits.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';

export function useComeBack() {
  const cursor = useCursor();
  const track = useTrack();
  function set({ id, comeBack }: Caption, note: string | null, runsOn = false): void {
    if (track.editable && note !== comeBack) track.change({ type: 'comeBack', id, note }, runsOn);
  }
  /** Says what it is for. */
  const write = (caption: Caption, note: string): void => set(caption, note.slice(0, longestNote), true);
  const mark = (caption: Caption): void => set(caption, caption.comeBack ?? '');
  const done = (caption: Caption): void => set(caption, null);
  /** Marks the cursor caption, or takes its mark away. */
  function toggle(): void {
    const { caption } = cursor;
    if (caption) (caption.comeBack === null ? mark : done)(caption);
  }
  return { write, mark, done, toggle };
}

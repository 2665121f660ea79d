/** Going through what listening is not sure of: each is heard, and taken or left. */
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { useHearJudged } from '../../recording/playback/hear-judged.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import type { PlacedRow } from './listen.ts';
import { usePlacing } from './placing.ts';

/** So much is heard before a caption, in ms. */
const lead = 1500;

export const useUncertain = defineStore('placing-uncertain', () => {
  const placing = usePlacing();
  const cursor = useCursor();
  const hearFrom = useHearJudged();
  const rows = computed(() => placing.rows.filter((r) => r.how !== 'certain'));
  const many = computed(() => rows.value.length);

  /** Plays a caption from a moment before its new place. */
  function hear({ before, after }: PlacedRow): void {
    cursor.goTo(before.id, 'chosen');
    hearFrom(after.start, lead);
  }
  /** The next that is not certain after the cursor, round from the last to the first. */
  function next(): void {
    const all = placing.rows;
    const here = all.findIndex((r) => r.before.id === cursor.caption?.id);
    const row = all.find((r, i) => i > here && r.how !== 'certain') ?? rows.value[0];
    if (row) hear(row);
  }
  /** Takes or leaves the caption at the cursor. */
  function toggle(): void {
    const { caption } = cursor;
    if (caption && placing.rows.some((r) => r.before.id === caption.id && r.moves)) placing.toggle(caption.id);
  }
  /** Goes to the caption nearest to a moment of the track. @param at in ms */
  function goNear(at: number): void {
    const all = placing.rows;
    const nearest = all.reduce<PlacedRow | null>(
      (best, row) => (best && Math.abs(best.before.start - at) <= Math.abs(row.before.start - at) ? best : row),
      null,
    );
    if (nearest) cursor.goTo(nearest.before.id, 'chosen');
  }
  return { many, hear, next, toggle, goNear };
});

/** Putting something else in many places at once, as one step. */
import { replaceAll, type MatchInTrack } from '../../../core/find/replace.ts';
import { apply } from '../../../core/model/apply.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { nextTurn } from '../../ui/idle.ts';

/** So often it is worked out again where the captions changed meanwhile. */
const tries = 3;

/**
 * Replaces these places. Thousands of them take some tens of milliseconds, so the page is given a turn
 * before that and before it shows them.
 * @param isPattern the replacement may name groups of a pattern
 * @returns whether anything was changed
 */
export async function replaceIn(
  places: readonly MatchInTrack[],
  replacement: string,
  isPattern: boolean,
): Promise<boolean> {
  const track = useTrack();
  for (let n = 0; n < tries && track.editable; n++) {
    await nextTurn();
    const { captions } = track;
    const edit = replaceAll(captions, places, replacement, isPattern);
    if (!edit) return false;
    const applied = apply(captions, edit);
    await nextTurn();
    if (track.captions !== captions) continue;
    track.change(edit, false, applied);
    return true;
  }
  return false;
}

/** Which two tracks a comparison begins with. */
import { baseLanguage } from '../../../core/text/language.ts';
import type { TrackSummary } from '../../../core/job/job.ts';

type Compared = Pick<TrackSummary, 'id' | 'kind' | 'language'>;

/**
 * The open track with another of its language, a machine draft before others; where it has none, two others of one
 * language; else the open track with any.
 * @returns the reference and the other; null where there are fewer than two
 */
export function pairToCompare(tracks: readonly Compared[], open: string): readonly [string, string] | null {
  const here = tracks.find(({ id }) => id === open) ?? tracks[0];
  const draftsFirst = [...tracks].sort((a, b) => Number(b.kind === 'machine') - Number(a.kind === 'machine'));
  const otherOf = (one: Compared): Compared | undefined =>
    draftsFirst.find((t) => t.id !== one.id && baseLanguage(t.language) === baseLanguage(one.language));
  if (!here || tracks.length < 2) return null;
  const reference = [here, ...tracks.filter(({ kind }) => kind !== 'machine')].find((t) => otherOf(t)) ?? here;
  const other = otherOf(reference) ?? draftsFirst.find((t) => t.id !== reference.id);
  return other ? [reference.id, other.id] : null;
}

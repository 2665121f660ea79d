/** What commands and buttons do to the cursor caption; one way for both. */
import { joint } from '../../core/operations/joint.ts';
import { mustGo } from '../../core/rules/findings.ts';
import type { Caption } from '../../core/track/caption.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { usePlayback } from '../playback/playback.ts';
import { useTrack } from '../stores/track.ts';
import { useRepairs } from '../checks/use-repairs.ts';
import { rangeOf } from '../reflow/scope.ts';
import { useWholeTrack } from '../stores/whole-track.ts';
import { useSeveral } from '../captions/use-several.ts';
import type { Deeds } from './commands.ts';

export function useDeeds(): Pick<
  Deeds,
  'replay' | 'proof' | 'finding' | 'unproofed' | 'repair' | 'repairAll' | 'breakLines' | 'timeHere' | 'join'
> & {
  readonly unproof: () => void;
} {
  const job = useJob();
  const track = useTrack();
  const place = usePlace();
  const playback = usePlayback();
  const findings = useFindings();
  const repairs = useRepairs();
  const { onWholeTrack } = useWholeTrack();
  const several = useSeveral();

  function replay(around: 0 | 1): void {
    playback.replay(place.index - around, place.index + around);
  }

  function unproof(): void {
    const here = place.caption;
    if (here?.proofed && track.editable) track.change({ type: 'proof', ids: [here.id], proofed: false });
  }

  function proof(): void {
    const here = place.caption;
    if (!here || !track.editable) return;
    if (place.selected) {
      several.proof();
      return;
    }
    if (!here.proofed) track.change({ type: 'proof', ids: [here.id], proofed: true });
    place.move(1);
    playback.replay(place.index, place.index);
  }

  /** Goes to the next caption of which something holds, going round. @returns false where there is none */
  function goToNext(direction: 1 | -1, holds: (caption: Caption) => boolean): boolean {
    const many = track.captions.length;
    for (let i = 1; i <= many; i++) {
      const next = track.captions[(place.index + direction * i + many * i) % many];
      if (next && holds(next)) {
        place.goTo(next.id, 'chosen');
        return true;
      }
    }
    return false;
  }

  /** Goes to the next caption with a finding, and where none is left to the next with advice. */
  function finding(direction: 1 | -1): void {
    const counts = (c: Caption): boolean =>
      findings.count > 0 ? mustGo(findings.of(c.id)) : findings.of(c.id).length > 0;
    if (!goToNext(direction, counts)) track.remark = 'No caption departs from the house style.';
  }

  function unproofed(direction: 1 | -1): void {
    if (!goToNext(direction, (c) => !c.proofed)) track.remark = 'Every caption is proofed.';
  }

  function repair(): void {
    const shown = place.caption ? repairs.shownOf(place.caption) : [];
    const found = shown.find((s) => s.proposal.repair !== null) ?? shown[0];
    if (found) repairs.repair(found.finding);
    else track.remark = 'This caption has no finding to repair.';
  }

  async function repairAll(): Promise<void> {
    const done = await repairs.repairMany('every');
    const report = repairs.report.value;
    if (done && report)
      track.remark = `${String(report.done.length)} repairs were made; ${String(report.left.length)} findings are left, each with its reason in Checks.`;
  }

  /** Breaks the lines of the selected captions again, or of the cursor caption. */
  async function breakLines(): Promise<void> {
    const standing = { here: place.index, selected: place.selected, captions: track.captions.length };
    const done = await onWholeTrack('reflow', { what: 'lines', every: true, ...rangeOf('selected', standing) });
    if (!done) return;
    const many = done.runs.length;
    track.remark =
      many === 0
        ? 'The lines break as well as they can already.'
        : `The lines of ${many === 1 ? 'one caption' : `${String(many)} captions`} break elsewhere now.`;
  }

  function timeHere(edge: 'start' | 'end'): void {
    const here = place.caption;
    if (!here || !track.editable) return;
    const start = edge === 'start' ? playback.time : here.start;
    const end = edge === 'end' ? playback.time : here.end;
    if (end <= start)
      track.remark = 'A caption has to end after it begins, so its time was left as it was. Move the playhead first.';
    else track.change({ type: 'setTimes', id: here.id, start, end });
  }

  function join(direction: 'above' | 'below'): void {
    const first = direction === 'above' ? place.index - 1 : place.index;
    const [a, b] = [track.captions[first], track.captions[first + 1]];
    if (!a || !b || !job.job || !track.editable) return;
    track.change({ type: 'join', id: a.id, next: b.id, between: joint(a, b, job.job.style) });
    place.goTo(a.id, 'chosen');
  }

  return { replay, proof, unproof, finding, unproofed, repair, repairAll, breakLines, timeHere, join };
}

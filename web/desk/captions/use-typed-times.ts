/** Times of a caption as somebody types them. */
import { seconds } from '../../../core/timing/clock/clock.ts';
import { readTime } from '../../../core/timing/clock/read-time.ts';
import type { Timed } from '../../../core/timing/drag/move.ts';
import { typedTimes, type Refused, type TimeField } from '../../../core/timing/drag/typed.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { moveRulesOf, retiming } from './retiming.ts';

/** As the fields are called. */
export const fieldNames: Readonly<Record<TimeField, string>> = { start: 'Begin', end: 'End', duration: 'Lasts' };

/** @returns gives a caption a time that was typed */
export function useTypedTimes() {
  const job = useJob();
  const track = useTrack();
  const times = useTimes();
  const cursor = useCursor();

  /** A caption that is not timed, with the first time it gets; the other is made up until it is typed too. */
  function firstTimes(id: string, field: TimeField, ms: number): Timed {
    const usual = job.job?.style.time.usual ?? 0;
    if (field === 'end') return { id, start: Math.max(0, ms - usual), end: ms };
    const start = field === 'start' ? ms : (track.captions.find((c) => c.id === id)?.start ?? 0);
    return { id, start, end: start + (field === 'duration' ? ms : usual) };
  }
  /** What is in the way of a time that was typed, as a sentence. */
  function refusal(field: TimeField, text: string, refused: Refused): string {
    const typed = `${fieldNames[field]} ${text}`;
    if (refused.why === 'least') return `${typed}: a caption is on screen for ${seconds(refused.least)} at least.`;
    if (refused.why === 'end') return `${typed}: the recording ends at ${times.clock(refused.length)}.`;
    const { id, start, end } = refused.neighbour;
    const nth = track.captions.findIndex((c) => c.id === id) + 1;
    return `${typed}: caption ${String(nth)} is there, from ${times.clock(start)} to ${times.clock(end)}. Move that first.`;
  }
  /**
   * Gives a caption a time that was typed, or leaves it as it is.
   * @param id of the caption it was typed for: the cursor may be in another by now
   * @param whole its other edge goes along
   * @returns what is wrong with it, as a sentence; null where it was taken
   */
  function type(id: string, field: TimeField, text: string, whole = false): string | null {
    const open = job.job;
    const here = track.captions.find((c) => c.id === id);
    if (!open || !here || !track.editable) return null;
    const now = field === 'duration' ? here.end - here.start : here[field];
    // Nobody has chosen one yet, and the first is another once this one has gone past it.
    if (cursor.id === null) cursor.goTo(id, 'followed');
    const read = readTime(text, now, open.rate);
    if ('fault' in read) return read.fault;
    if (here.timing !== 'set') {
      track.change(retiming([firstTimes(id, field, read.ms)]));
      return null;
    }
    const given = typedTimes(
      track.timed,
      { index: track.timed.findIndex((c) => c.id === id), field, ms: read.ms, whole },
      moveRulesOf(open),
    );
    if (given === null) return null;
    if ('why' in given) return refusal(field, text.trim(), given);
    if (given.start !== here.start || given.end !== here.end) track.change(retiming([given]));
    return null;
  }
  return type;
}

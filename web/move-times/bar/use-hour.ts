/** Offers to take a whole hour off, where the captions of a track that is opened count from one. */
import { watch } from 'vue';
import { hourCountedFrom } from '../../../core/timing/whole/hour.ts';
import { shiftedTimes } from '../../../core/operations/several.ts';
import { formatClock } from '../../../core/timing/clock/clock.ts';
import { retimingAlong } from '../../../core/timing/whole/same-move.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';

export function useHour(): void {
  const job = useJob();
  const track = useTrack();
  const messages = useMessages();

  const countedFrom = (): number | null =>
    track.editable ? hourCountedFrom(track.captions, job.job?.recording?.length ?? null) : null;
  function takeOff(id: string, from: number): void {
    // Another window may have done it since it was offered: it is taken off once.
    if (track.track?.id !== id || countedFrom() !== from) return;
    const changes = shiftedTimes(track.captions, -from);
    track.change(retimingAlong(track.captions, changes, [[from, 0]]));
    messages.remark = `${String(changes.length)} captions moved; one step to undo.`;
  }
  watch(
    () => job.job && track.track?.id,
    (id) => {
      const from = countedFrom();
      if (!id || from === null) return;
      const clock = formatClock(from, { fraction: '.', hours: 'always', digits: 0 });
      messages.offer(`The captions count from ${clock}, and the recording from 0.`, [
        { title: `Take ${clock} off`, run: () => takeOff(id, from) },
      ]);
    },
    { immediate: true },
  );
}

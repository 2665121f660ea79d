/** Offers to take a whole hour off, where the captions of a track that is opened count from one. */
import { watch } from 'vue';
import { hourCountedFrom } from '../../core/retime/hour.ts';
import { shiftedTimes } from '../../core/operations/several.ts';
import { formatClock } from '../../core/time/clock.ts';
import { useJob } from '../stores/job.ts';
import { useMessages } from '../stores/messages.ts';
import { useTrack } from '../stores/track.ts';

export function useHour(): void {
  const job = useJob();
  const track = useTrack();
  const messages = useMessages();

  function takeOff(id: string, from: number): void {
    if (track.track?.id !== id || !track.editable) return;
    const timing = new Map(track.captions.map((c) => [c.id, c.timing]));
    const captions = shiftedTimes(track.captions, -from).map((c) => ({
      ...c,
      timing: timing.get(c.id) ?? ('set' as const),
    }));
    if (captions.length === 0) return;
    track.change({ type: 'retime', captions, pieces: [[from, 0]] });
    messages.remark = `${String(captions.length)} captions moved; one step to undo.`;
  }
  watch(
    () => job.job && track.track?.id,
    (id) => {
      const from = id && track.editable ? hourCountedFrom(track.captions, job.job?.recording?.length ?? null) : null;
      if (!id || from === null) return;
      const clock = formatClock(from, { fraction: '.', hours: 'always', digits: 0 });
      messages.offer(`The captions count from ${clock}, and the recording from 0.`, [
        { title: `Take ${clock} off`, run: () => takeOff(id, from) },
      ]);
    },
    { immediate: true },
  );
}

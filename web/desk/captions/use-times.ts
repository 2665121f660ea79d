/** What commands, fields and buttons do to the times of the cursor caption; one way for all. */
import { timeNeeded } from '../../../core/style/style.ts';
import { seconds } from '../../../core/timing/clock/clock.ts';
import {
  beginAllAt,
  beginAt,
  endAt,
  endUpToNext,
  endWhenRead,
  moveEdge,
  type Moved,
  type Timed,
} from '../../../core/timing/drag/move.ts';
import { toSpeech } from '../../../core/timing/drag/to-speech.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { moveRulesOf, retiming, stoppedText } from './retiming.ts';

export function useTimesOf() {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const sound = useSound();
  const messages = useMessages();
  const playback = usePlayback();

  /** One change of times, as one step. */
  function retime(moved: Moved): void {
    if (moved.changes.length > 0 && track.editable) track.change(retiming(moved.changes));
  }
  /** A caption as long as is usual from a moment on: its own times are made up as long as nobody has set them. */
  const usualFrom = (at: number, { id }: Timed): Timed => ({
    id,
    start: at,
    end: at + (job.job?.style.time.usual ?? 0),
  });
  /** @param along everything after it goes along */
  function beginHere(along = false): void {
    const here = cursor.caption;
    if (!here || !job.job) return;
    const at = Math.round(playback.time);
    if (here.timing !== 'set') retime({ changes: [usualFrom(at, here)], stopped: null });
    else retime(along ? beginAllAt(track.timed, indexOf(here.id), at) : beginAt(here, at));
  }
  function endHere(): void {
    const here = cursor.caption;
    if (here && job.job) retime(endAt(here.timing === 'set' ? here : usualFrom(here.start, here), playback.time));
  }
  /** Where a caption is among those that are timed: the others are in nobody's way. */
  const indexOf = (id: string | undefined): number => track.timed.findIndex((c) => c.id === id);
  function endUpTo(): void {
    if (job.job) retime(endUpToNext(track.timed, indexOf(cursor.caption?.id), moveRulesOf(job.job)));
  }
  function endRead(): void {
    const [open, here] = [job.job, cursor.caption];
    if (!open || !here) return;
    const needed = timeNeeded(here, open.style, open.style.reading.speed.target);
    const moved = endWhenRead(track.timed, indexOf(here.id), needed, moveRulesOf(open));
    retime(moved);
    if (moved.stopped !== 'neighbour') {
      if (moved.stopped) messages.remark = `It would need ${seconds(needed)}. ${stoppedText(moved.stopped, 'end')}`;
      return;
    }
    // What would help: the ones after it make room.
    const push = (): void => {
      const move = { index: indexOf(here.id), edge: 'end', to: here.start + needed, push: true } as const;
      retime(moveEdge(track.timed, move, moveRulesOf(open)));
    };
    messages.offer(`It would need ${seconds(needed)}. ${stoppedText(moved.stopped, 'end')}`, [
      { title: 'Push what comes after', run: push },
    ]);
  }

  /** Begins and ends with the speech it is nearest to. */
  function putToSpeech(): void {
    const open = job.job;
    if (!open || !cursor.caption) return;
    if (!sound.regions) {
      messages.remark =
        sound.reading === null
          ? 'Nobody has listened for speech in this recording yet.'
          : 'The sound is being read; where speech is will be known in a moment.';
      return;
    }
    const moved = toSpeech(
      track.timed,
      indexOf(cursor.caption.id),
      sound.regions.speech,
      open.style.time,
      moveRulesOf(open),
    );
    if (!moved) messages.remark = 'No speech begins or ends near this caption.';
    else if (moved.stopped === 'least')
      messages.remark = 'The speech near its begin and its end would leave it too short.';
    else if (moved.stopped) messages.remark = 'A caption beside it is in the way of all of its speech.';
    else if (moved.changes.length === 0) messages.remark = 'It begins and ends with its speech already.';
    if (moved) retime(moved);
  }

  return { beginHere, endHere, endUpTo, endRead, putToSpeech };
}

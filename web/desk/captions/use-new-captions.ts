/** New captions: at the playhead, or beside another; one way for keys, commands and buttons. */
import { caption, type Caption } from '../../../core/model/caption.ts';
import { seconds } from '../../../core/timing/clock/clock.ts';
import type { Stretch } from '../../../core/audio/regions.ts';
import { frameLength } from '../../../core/timing/clock/timecode.ts';
import type { Timed } from '../../../core/timing/drag/move.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { pushedBy, roomAt, roomBefore, type Room } from '../../../core/timing/drag/room.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { newId } from '../../data/sync/ids.ts';
import { moveRulesOf, retiming } from './retiming.ts';
import { useCaption } from './use-caption.ts';

export function useNewCaptions() {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const times = useTimes();
  const messages = useMessages();
  const playback = usePlayback();
  const { splitHere } = useCaption();
  const insertUntimedBeside = useUntimedBeside();

  /** An empty caption where there is room, or what is in the way. */
  function insert(room: Room, at: number): void {
    if ('blockedBy' in room) {
      const { start, end } = room.blockedBy;
      if (room.room === 0 && start <= at && at < end)
        messages.offer(
          `A caption stands here already, from ${times.clock(start)} to ${times.clock(end)}. Split it, or move the playhead.`,
          [
            { title: 'Split it here', run: splitHere },
            { title: 'New one after it', run: () => insertTimedBeside(room.blockedBy, 'after') },
          ],
        );
      else
        messages.offer(
          `There is room for ${seconds(room.room)} only, beside the caption at ${times.clock(start)}. Move that first.`,
          start >= at ? [{ title: 'Push it and what comes after', run: () => insertPushing(at) }] : [],
        );
      return;
    }
    const made = caption({ id: newId(), ...room, text: '' });
    track.change({ type: 'insert', captions: [made] });
    cursor.write(made.id);
  }
  /** An empty caption from a moment on, as short as one may be; what comes after makes room for it. */
  function insertPushing(at: number): void {
    const open = job.job;
    if (!open || !track.editable) return;
    const rules = moveRulesOf(open);
    const before = track.timed.findLast((c) => c.end <= at);
    const start = Math.max(Math.round(at), before ? before.end + rules.gap : 0);
    const end = start + open.style.time.shortest.limit;
    const made = caption({ id: newId(), start, end, text: '' });
    const pushed = pushedBy(track.timed, made, rules);
    if (!pushed) {
      messages.remark = 'What comes after cannot make room: the recording ends there.';
      return;
    }
    const moved: Edit[] = pushed.length > 0 ? [retiming(pushed)] : [];
    track.change({ type: 'together', edits: [...moved, { type: 'insert', captions: [made] }] });
    cursor.write(made.id);
  }
  /** An empty caption at the playhead, as long as is usual or as there is room for. */
  function insertHere(): void {
    const open = job.job;
    if (!open || !track.editable) return;
    const { usual, shortest } = open.style.time;
    insert(roomAt(track.timed, playback.time, usual, shortest.limit, moveRulesOf(open)), playback.time);
  }
  /** An empty caption in a stretch that was drawn, as much of it as is free. */
  function insertIn({ start, end }: Stretch): void {
    const open = job.job;
    if (!open || !track.editable) return;
    insert(roomAt(track.timed, start, end - start, Math.ceil(frameLength(open.rate)), moveRulesOf(open)), start);
  }
  /** An empty caption right after another, or right before it; not timed where that one is not. */
  function insertBesideTimed(id: string, side: 'before' | 'after'): void {
    const here = track.captions.find((c) => c.id === id);
    if (!here || !track.editable) return;
    (here.timing === 'set' ? insertTimedBeside : insertUntimedBeside)(here, side);
  }
  /** The same, but not timed either after the last: a time of its own would be made up. */
  function insertBeside(id: string, side: 'before' | 'after'): void {
    const last = track.captions.at(-1);
    if (last?.id === id && side === 'after' && track.editable) insertUntimedBeside(last, side);
    else insertBesideTimed(id, side);
  }
  function insertTimedBeside(here: Timed, side: 'before' | 'after'): void {
    const open = job.job;
    if (!open || !track.editable) return;
    const { usual, shortest } = open.style.time;
    const rules = moveRulesOf(open);
    const after = here.end + rules.gap;
    if (side === 'after') insert(roomAt(track.timed, after, usual, shortest.limit, rules), after);
    else insert(roomBefore(track.timed, here, usual, shortest.limit, rules), here.start);
  }
  return { insertHere, insertIn, insertBeside, insertBesideTimed };
}

/** Makes an empty caption that is not timed, right after another or right before it. */
function useUntimedBeside(): (here: Caption, side: 'before' | 'after') => void {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const playback = usePlayback();
  /**
   * Where text that is written while one listens probably belongs: at the playhead, where that is between the caption
   * it is written after and the next; else right after that caption.
   */
  function writtenAt(here: Caption, usual: number): Stretch {
    const next = track.captions[track.captions.indexOf(here) + 1];
    const heard = Math.round(playback.time);
    const isBetween = heard > here.start && heard <= (next?.start ?? Infinity);
    const start = job.recordingUrl && isBetween ? heard : here.end;
    return { start, end: start + usual };
  }
  return (here, side) => {
    const at =
      side === 'after' ? writtenAt(here, job.job?.style.time.usual ?? 0) : { start: here.start, end: here.start + 1 };
    const made = { ...caption({ id: newId(), ...at, text: '' }), timing: 'provisional' as const };
    track.change({ type: 'insert', captions: [made] });
    cursor.write(made.id);
  };
}

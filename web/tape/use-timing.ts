/** What commands and buttons do on the tape; one way for both. */
import { caption } from '../../core/track/caption.ts';
import { seconds } from '../../core/time/clock.ts';
import { roomAt } from '../../core/timing/room.ts';
import { moveRulesOf } from '../captions/retiming.ts';
import { usePlayback } from '../playback/playback.ts';
import { useJob } from '../stores/job.ts';
import { useMessages } from '../stores/messages.ts';
import { usePlace } from '../stores/place.ts';
import { useTimes } from '../stores/times.ts';
import { useTrack } from '../stores/track.ts';
import { newId } from '../sync/ids.ts';
import { useTapeView } from './tape-view.ts';

export function useTiming() {
  const job = useJob();
  const track = useTrack();
  const place = usePlace();
  const times = useTimes();
  const messages = useMessages();
  const playback = usePlayback();
  const view = useTapeView();

  /** An empty caption at the playhead, as long as is usual or as there is room for. */
  function insertHere(): void {
    const open = job.job;
    if (!open || !track.editable) return;
    const { usual, shortest } = open.style.time;
    const room = roomAt(track.captions, playback.time, usual, shortest.limit, moveRulesOf(open));
    if ('blockedBy' in room) {
      const { start, end } = room.blockedBy;
      messages.remark =
        room.room === 0
          ? `A caption stands here already, from ${times.clock(start)} to ${times.clock(end)}. Split it, or move the playhead.`
          : `There is room for ${seconds(room.room)} only, before the caption at ${times.clock(start)}. Move that first.`;
      return;
    }
    const made = caption({ id: newId(), ...room, text: '' });
    track.change({ type: 'insert', captions: [made] });
    place.goTo(made.id, 'chosen');
  }

  /** Back to the playhead, and along with it while it plays. */
  function toPlayhead(): void {
    place.follow = true;
    view.follow(playback.time, false);
  }
  return { insertHere, toPlayhead };
}

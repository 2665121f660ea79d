/** Commands of timing. */
import { caption } from '../../core/track/caption.ts';
import { roomAt } from '../../core/timing/room.ts';
import { inSection, type Command } from '../commands/command.ts';
import { usePlayback } from '../playback/playback.ts';
import { useJob } from '../stores/job.ts';
import { useMessages } from '../stores/messages.ts';
import { usePlace } from '../stores/place.ts';
import { useTimes } from '../stores/times.ts';
import { useTrack } from '../stores/track.ts';
import { newId } from '../sync/ids.ts';
import { useChosenEdge } from './chosen-edge.ts';
import { moveRulesOf } from '../captions/retiming.ts';
import { useTapeView } from './tape-view.ts';

/** An empty caption at the playhead, as long as is usual or as there is room for. */
function insertHere(): void {
  const [job, track, place, playback] = [useJob(), useTrack(), usePlace(), usePlayback()];
  const open = job.job;
  if (!open || !track.editable) return;
  const { usual, shortest } = open.style.time;
  const room = roomAt(track.captions, playback.time, usual, shortest.limit, moveRulesOf(open));
  if ('blockedBy' in room) {
    const { clock } = useTimes();
    useMessages().remark =
      room.room === 0
        ? `A caption stands here already, from ${clock(room.blockedBy.start)} to ${clock(room.blockedBy.end)}. Split it, or move the playhead.`
        : `There is room for ${String(room.room / 1000)} s only, before the caption at ${clock(room.blockedBy.start)}. Move that first.`;
    return;
  }
  const made = caption({ id: newId(), start: room.start, end: room.end, text: '' });
  track.change({ type: 'insert', captions: [made] });
  place.goTo(made.id, 'chosen');
}

export function tapeCommands(): readonly Command[] {
  const edge = useChosenEdge();
  const view = useTapeView();
  const playback = usePlayback();
  const place = usePlace();
  return inSection('Timing', [
    {
      id: 'choose-begin',
      title: 'Choose this caption’s begin, and hear it',
      keys: ['Ctrl+Shift+['],
      run: () => edge.choose('start'),
    },
    {
      id: 'choose-end',
      title: 'Choose this caption’s end, and hear it',
      keys: ['Ctrl+Shift+]'],
      run: () => edge.choose('end'),
    },
    { id: 'new-here', title: 'New caption at the playhead', keys: ['Ctrl+Shift+Space'], run: insertHere },
    {
      id: 'tape-to-playhead',
      title: 'Tape: back to the playhead',
      keys: [],
      run() {
        place.follow = true;
        view.follow(playback.time, false);
      },
    },
    { id: 'tape-closer', title: 'Tape: closer', keys: [], run: () => view.zoom(1 / 1.5, playback.time) },
    { id: 'tape-further', title: 'Tape: further away', keys: [], run: () => view.zoom(1.5, playback.time) },
  ]);
}

/** What commands and buttons do on the tape; one way for both. */
import { computed } from 'vue';
import { caption } from '../../core/track/caption.ts';
import { seconds } from '../../core/time/clock.ts';
import { captionsForSpeech } from '../../core/timing/to-speech.ts';
import { roomAt } from '../../core/timing/room.ts';
import { moveRulesOf } from '../captions/retiming.ts';
import { usePlayback } from '../playback/playback.ts';
import { useJob } from '../stores/job.ts';
import { useMessages } from '../stores/messages.ts';
import { usePlace } from '../stores/place.ts';
import { useSound } from '../stores/sound.ts';
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
  const sound = useSound();

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

  /** Stretches of speech with no caption, as times new captions would have. */
  const unwritten = computed(() => {
    const open = job.job;
    if (!open || !sound.regions) return [];
    const { lead, linger, shortest, longest } = open.style.time;
    const figures = { lead, linger, shortest: shortest.limit, longest: longest.limit };
    const timed = track.captions.filter((c) => c.timing === 'set');
    return captionsForSpeech(timed, sound.regions.speech, figures, moveRulesOf(open));
  });
  /** An empty caption for every stretch of speech with none. */
  function insertForSpeech(): void {
    if (!track.editable) return;
    const made = unwritten.value.map((times) => caption({ id: newId(), ...times, text: '' }));
    const [first] = made;
    if (!first) {
      messages.remark = sound.regions
        ? 'Every stretch of speech has a caption.'
        : 'Where speech is in this recording is not known yet.';
      return;
    }
    track.change({ type: 'insert', captions: made });
    place.goTo(first.id, 'chosen');
    messages.remark = `${made.length === 1 ? 'One empty caption' : `${String(made.length)} empty captions`} where somebody speaks and nothing stood.`;
  }

  /** Back to the playhead, and along with it while it plays. */
  function toPlayhead(): void {
    place.follow = true;
    view.follow(playback.time, false);
  }
  return { insertHere, insertForSpeech, unwritten, toPlayhead };
}

/** New captions: at the playhead, beside another, where somebody speaks; one way for keys, commands and buttons. */
import { computed } from 'vue';
import { caption } from '../../core/track/caption.ts';
import { seconds } from '../../core/time/clock.ts';
import { roomAt, roomBefore, type Room } from '../../core/timing/room.ts';
import { captionsForSpeech } from '../../core/timing/to-speech.ts';
import { usePlayback } from '../playback/playback.ts';
import { useJob } from '../stores/job.ts';
import { useMessages } from '../stores/messages.ts';
import { usePlace } from '../stores/place.ts';
import { useSound } from '../stores/sound.ts';
import { useTimes } from '../stores/times.ts';
import { useTrack } from '../stores/track.ts';
import { newId } from '../sync/ids.ts';
import { moveRulesOf } from './retiming.ts';

export function useNewCaptions() {
  const job = useJob();
  const track = useTrack();
  const place = usePlace();
  const sound = useSound();
  const times = useTimes();
  const messages = useMessages();
  const playback = usePlayback();

  /** An empty caption where there is room, or what is in the way. */
  function insert(room: Room): void {
    if ('blockedBy' in room) {
      const { start, end } = room.blockedBy;
      messages.remark =
        room.room === 0
          ? `A caption stands here already, from ${times.clock(start)} to ${times.clock(end)}. Split it, or move the playhead.`
          : `There is room for ${seconds(room.room)} only, beside the caption at ${times.clock(start)}. Move that first.`;
      return;
    }
    const made = caption({ id: newId(), ...room, text: '' });
    track.change({ type: 'insert', captions: [made] });
    place.goTo(made.id, 'chosen');
  }
  /** An empty caption at the playhead, as long as is usual or as there is room for. */
  function insertHere(): void {
    const open = job.job;
    if (!open || !track.editable) return;
    const { usual, shortest } = open.style.time;
    insert(roomAt(track.timed, playback.time, usual, shortest.limit, moveRulesOf(open)));
  }
  /** An empty caption right after another, or right before it; not timed where that one is not. */
  function insertBeside(id: string, side: 'before' | 'after'): void {
    const open = job.job;
    const here = track.captions.find((c) => c.id === id);
    if (!open || !here || !track.editable) return;
    const { usual, shortest } = open.style.time;
    if (here.timing !== 'set') {
      const at =
        side === 'after' ? { start: here.end, end: here.end + usual } : { start: here.start, end: here.start + 1 };
      const made = { ...caption({ id: newId(), ...at, text: '' }), timing: 'provisional' as const };
      track.change({ type: 'insert', captions: [made] });
      place.goTo(made.id, 'chosen');
      return;
    }
    const rules = moveRulesOf(open);
    insert(
      side === 'after'
        ? roomAt(track.timed, here.end + rules.gap, usual, shortest.limit, rules)
        : roomBefore(track.timed, here, usual, shortest.limit, rules),
    );
  }

  /** Stretches of speech with no caption, as times new captions would have. */
  const unwritten = computed(() => {
    const open = job.job;
    if (!open || !sound.regions) return [];
    const { lead, linger, shortest, longest } = open.style.time;
    const figures = { lead, linger, shortest: shortest.limit, longest: longest.limit };
    return captionsForSpeech(track.timed, sound.regions.speech, figures, moveRulesOf(open));
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
  return { insertHere, insertBeside, insertForSpeech, unwritten };
}

/** New captions: at the playhead, beside another, where somebody speaks; one way for keys, commands and buttons. */
import { computed } from 'vue';
import { caption, type Caption } from '../../../core/model/caption.ts';
import { seconds } from '../../../core/timing/clock/clock.ts';
import { isIn } from '../../../core/audio/heard-under.ts';
import type { Stretch } from '../../../core/audio/regions.ts';
import { frameLength } from '../../../core/timing/clock/timecode.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { pushedBy, roomAt, roomBefore, type Room } from '../../../core/timing/drag/room.ts';
import { captionsForSpeech } from '../../../core/timing/drag/to-speech.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { newId } from '../../data/sync/ids.ts';
import { moveRulesOf, retiming } from './retiming.ts';
import { useCaption } from './use-caption.ts';

export function useNewCaptions() {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const sound = useSound();
  const times = useTimes();
  const messages = useMessages();
  const playback = usePlayback();
  const { splitHere } = useCaption();

  /** An empty caption where there is room, or what is in the way. */
  function insert(room: Room, at: number): void {
    if ('blockedBy' in room) {
      const { start, end } = room.blockedBy;
      if (room.room === 0 && start <= at && at < end)
        messages.offer(
          `A caption stands here already, from ${times.clock(start)} to ${times.clock(end)}. Split it, or move the playhead.`,
          [
            { title: 'Split it here', run: splitHere },
            { title: 'New one after it', run: () => insertBeside(room.blockedBy.id, 'after') },
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
    cursor.goTo(made.id, 'chosen');
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
    const edits: Edit[] = [{ type: 'insert', captions: [made] }];
    track.change({ type: 'together', edits: pushed.length > 0 ? [retiming(pushed), ...edits] : edits });
    cursor.goTo(made.id, 'chosen');
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
  /** An empty caption right after another, or right before it; not timed where that one is not. */
  function insertBeside(id: string, side: 'before' | 'after'): void {
    const open = job.job;
    const here = track.captions.find((c) => c.id === id);
    if (!open || !here || !track.editable) return;
    const { usual, shortest } = open.style.time;
    if (here.timing !== 'set') {
      const at = side === 'after' ? writtenAt(here, usual) : { start: here.start, end: here.start + 1 };
      const made = { ...caption({ id: newId(), ...at, text: '' }), timing: 'provisional' as const };
      track.change({ type: 'insert', captions: [made] });
      cursor.goTo(made.id, 'chosen');
      return;
    }
    const rules = moveRulesOf(open);
    insert(
      side === 'after'
        ? roomAt(track.timed, here.end + rules.gap, usual, shortest.limit, rules)
        : roomBefore(track.timed, here, usual, shortest.limit, rules),
      side === 'after' ? here.end + rules.gap : here.start,
    );
  }

  /** Stretches of speech with no caption, as times new captions would have. */
  const unwritten = computed(() => {
    const open = job.job;
    if (!open || !sound.regions) return [];
    const { lead, linger, shortest, longest } = open.style.time;
    const figures = { lead, linger, shortest: shortest.limit, longest: longest.limit };
    const wanted = sound.regions.speech.filter((speech) => isIn(speech, open.stretch));
    return captionsForSpeech(track.timed, wanted, figures, moveRulesOf(open));
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
    cursor.goTo(first.id, 'chosen');
    messages.remark = `${made.length === 1 ? 'One empty caption' : `${String(made.length)} empty captions`} added where speech had no caption.`;
  }
  return { insertHere, insertIn, insertBeside, insertForSpeech, unwritten };
}

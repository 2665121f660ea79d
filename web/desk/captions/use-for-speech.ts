/** New captions where somebody speaks and there is none; one way for commands and buttons. */
import { computed } from 'vue';
import { isIn } from '../../../core/audio/heard-under.ts';
import { caption } from '../../../core/model/caption.ts';
import { captionsForSpeech } from '../../../core/timing/drag/for-speech.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { newId } from '../../data/sync/ids.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { moveRulesOf } from './retiming.ts';

export function useForSpeech() {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const sound = useSound();
  const messages = useMessages();

  /** Stretches of speech with no caption, as times new captions would have. */
  const unwritten = computed(() => {
    const open = job.job;
    if (!open || !sound.regions) return [];
    const { lead, linger, shortest, usual, longest } = open.style.time;
    const figures = { lead, linger, usual, shortest: shortest.limit, longest: longest.limit };
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
    cursor.write(first.id);
    messages.remark = `${made.length === 1 ? 'One empty caption' : `${String(made.length)} empty captions`} added where speech had no caption.`;
  }
  return { insertForSpeech, unwritten };
}

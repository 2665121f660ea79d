/** Watching through: the picture large with its captions, and keys that mark what to come back to. */
import { defineStore } from 'pinia';
import { computed, nextTick, ref } from 'vue';
import { captionAt, type Caption } from '../../../core/model/caption.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useComeBack } from '../captions/use-come-back.ts';

export const useWatching = defineStore('watching', () => {
  const track = useTrack();
  const cursor = useCursor();
  const playback = usePlayback();
  const messages = useMessages();
  const comeBack = useComeBack();
  const on = ref(false);
  /** Ids of the captions that were marked since it began, in order. */
  const marked = ref<readonly string[]>([]);
  /** Why nothing was marked, as a sentence. */
  const why = ref<string | null>(null);
  let before: Element | null = null;

  /** The caption that was marked last, as it is now; null where it is marked no longer. */
  const last = computed(() => {
    const id = marked.value.at(-1);
    const found = track.captions.find((c) => c.id === id);
    return found && found.comeBack !== null ? found : null;
  });
  const count = computed(() => track.captions.filter((c) => c.comeBack !== null).length);

  function start(): void {
    if (on.value) return;
    before = document.activeElement;
    [marked.value, why.value] = [[], null];
    on.value = true;
    playback.play();
  }
  function leave(): void {
    if (!on.value) return;
    playback.pause();
    on.value = false;
    const [first] = marked.value;
    const many = marked.value.length;
    // There the work begins that is left.
    if (first !== undefined) cursor.goTo(first, 'chosen');
    if (many > 0)
      messages.remark = `${many === 1 ? 'One caption is' : `${String(many)} captions are`} marked to come back to, among the findings.`;
    void nextTick(() => before instanceof HTMLElement && before.focus({ preventScroll: true }));
  }
  /** The caption that is heard, or was heard last, as somebody presses a key now. */
  function heard(): Caption | null {
    const at = playback.time - playback.reaction();
    return track.captions[captionAt(track.captions, at)] ?? null;
  }
  /** Marks what is heard, or takes the mark away that it has. */
  function mark(): void {
    const caption = heard();
    why.value = caption ? track.whyReadOnly : 'No caption has begun yet.';
    if (!caption || !track.editable) return;
    cursor.goTo(caption.id, 'followed');
    if (caption.comeBack === null) {
      comeBack.mark(caption);
      marked.value = [...marked.value, caption.id];
    } else {
      comeBack.done(caption);
      marked.value = marked.value.filter((id) => id !== caption.id);
    }
  }
  /** To the caption before or after the one that is heard. */
  function go(by: 1 | -1): void {
    const to = track.timed[Math.max(0, captionAt(track.timed, playback.time) + by)];
    if (to) playback.seek(to.start);
  }
  const keys: Readonly<Record<string, () => void>> = {
    m: mark,
    M: mark,
    ArrowLeft: () => playback.step(-1),
    ArrowRight: () => playback.step(1),
    ArrowUp: () => go(-1),
    ArrowDown: () => go(1),
    Escape: leave,
  };
  /** @returns whether it was a key of this */
  function onKey(event: KeyboardEvent): boolean {
    if (!on.value || event.ctrlKey || event.metaKey || event.altKey) return false;
    const target = event.target as HTMLElement;
    const inField = target.tagName === 'INPUT' && event.key !== 'Escape';
    const inList = target.closest('[role=listbox], [role=menu], [role=dialog]:not(.watching), [role=combobox]');
    const act = inField || inList ? undefined : keys[event.key];
    if (!act) return false;
    event.preventDefault();
    event.stopPropagation();
    act();
    return true;
  }
  /** What is said while a note is written would be missed. */
  const hold = (): void => playback.pause();
  const goOn = (): void => playback.play();
  return { on, why, last, count, start, leave, mark, hold, goOn, onKey };
});

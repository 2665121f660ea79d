/** Moving the times of many captions: tried first, seen and heard wherever captions are shown, and kept as one step. */
import { defineStore } from 'pinia';
import { computed, nextTick, ref } from 'vue';
import { shifted, shiftedTimes } from '../../core/operations/several.ts';
import { readTime } from '../../core/time/read-time.ts';
import type { Timed } from '../../core/timing/move.ts';
import { captionAt, type Caption } from '../../core/track/caption.ts';
import { withMoved } from '../captions/retiming.ts';
import { rangeOf, type Scope } from '../captions/scope.ts';
import { usePlayback } from '../playback/playback.ts';
import { useJob } from '../stores/job.ts';
import { useMessages } from '../stores/messages.ts';
import { usePlace } from '../stores/place.ts';
import { useSelection } from '../stores/selection.ts';
import { useTrack } from '../stores/track.ts';

/** So much is heard before the first caption that is moved, in ms. */
const before = 1500;

export const useRetime = defineStore('retime', () => {
  const job = useJob();
  const track = useTrack();
  const place = usePlace();
  const selection = useSelection();
  const playback = usePlayback();
  const messages = useMessages();

  const isOpen = ref(false);
  const scope = ref<Scope>('on');
  const typed = ref('');
  /** Which times are shown while it is tried. */
  const side = ref<'before' | 'after'>('after');

  const moved = computed<readonly Caption[]>(() => {
    if (!isOpen.value) return [];
    const position = { here: place.index, selected: selection.places, captions: track.captions.length };
    const { from, to } = rangeOf(scope.value, position);
    return track.captions.slice(from, to);
  });
  /** In ms, or what is wrong with what was typed; null while nothing is. */
  const by = computed<{ readonly ms: number } | { readonly fault: string } | null>(() => {
    const text = typed.value.trim().replace('−', '-');
    if (text === '' || text === '-' || text === '+' || !job.job) return null;
    const read = readTime(text.replace(/^[-+]/, ''), 0, job.job.rate);
    if ('fault' in read) return { fault: 'Write seconds as in 0.4, or −1.2 for earlier; pictures as in 2f.' };
    return { ms: text.startsWith('-') ? -read.ms : read.ms };
  });
  const changes = computed<readonly Timed[]>(() =>
    by.value && 'ms' in by.value ? shiftedTimes(moved.value, by.value.ms) : [],
  );
  /** The captions as they are to be seen everywhere: as they would be while that is tried. */
  const captions = computed(() => (side.value === 'after' ? withMoved(track.captions, changes.value) : track.captions));

  function open(): void {
    scope.value = selection.places ? 'selected' : 'on';
    [typed.value, side.value, isOpen.value] = ['', 'after', true];
    void nextTick(() => document.getElementById('shift-by')?.focus());
  }
  function close(): void {
    isOpen.value = false;
  }
  function apply(): void {
    if (!by.value || 'fault' in by.value || !track.editable) return;
    const edit = shifted(moved.value, by.value.ms);
    close();
    if (!edit) return;
    const many = moved.value.length;
    track.change(edit);
    messages.remark = `${many === 1 ? 'One caption' : `${String(many)} captions`} moved; one step to undo.`;
  }
  /** Plays from before the first of them, with the times that are shown. */
  function hear(): void {
    const first = captions.value.find((c) => c.id === moved.value[0]?.id);
    if (!first) return;
    playback.seek(Math.max(0, first.start - before));
    playback.play();
  }
  const swap = (): void => void (side.value = side.value === 'after' ? 'before' : 'after');
  /** The captions on screen at a moment, with the times that are shown. */
  const onScreen = (at: number): readonly Caption[] => {
    const last = captionAt(captions.value, at);
    return captions.value.slice(Math.max(0, last - 3), last + 1).filter((c) => c.end > at);
  };
  return { isOpen, scope, typed, side, moved, by, changes, captions, open, close, apply, hear, swap, onScreen };
});

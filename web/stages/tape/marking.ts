/**
 * Marking by key: held while a caption is said, or tapped where one ends and the next begins. Each mark is kept at
 * once; the next caption that is not timed gets the times, or a new empty one where there is none.
 */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { markBegin, markedAt, markEnd } from '../../../core/timing/drag/mark.ts';
import { caption, type Caption } from '../../../core/model/caption.ts';
import { moveRulesOf, retiming } from '../../desk/captions/retiming.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { newId } from '../../data/sync/ids.ts';

/** A key held for less than this is a tap, in ms: some pedals send no more. */
const tap = 250;
/** After a mark is taken back, so much before it is heard again, in ms. */
const again = 2000;

interface Mark {
  readonly id: string;
  /** Where it was made, in ms. */
  readonly at: number;
  /** Steps of the history it took. */
  readonly steps: number;
}

export const useMarking = defineStore('marking', () => {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const sound = useSound();
  const messages = useMessages();
  const playback = usePlayback();

  const skipped = ref<ReadonlySet<string>>(new Set());
  const marks = shallowRef<readonly Mark[]>([]);
  /** The one that was begun and whose end is not marked yet. */
  let open: string | null = null;
  let down = 0;

  const untimed = computed(() => track.captions.filter((c) => c.timing !== 'set'));
  const queue = computed<readonly Caption[]>(() => untimed.value.filter((c) => !skipped.value.has(c.id)));
  const now = (isBegin: boolean): number =>
    markedAt(playback.time, playback.reaction(), isBegin ? (sound.regions?.speech ?? null) : null);

  /** The key went down. */
  function press(): void {
    const house = job.job;
    if (!house || !track.editable) return;
    down = performance.now();
    const at = now(true);
    const captions = track.timed;
    const last = captions.find((c) => c.id === open) ?? null;
    const marked = markBegin(captions, last, at, house.style.time.usual, moveRulesOf(house));
    if (!marked) {
      open = null;
      messages.remark = 'A caption stands here already, so nothing was marked.';
      return;
    }
    const { begun, ended } = marked;
    const next = queue.value[0];
    const id = next?.id ?? newId();
    const moved = [...(ended ? [ended] : []), ...(next ? [{ id, ...begun }] : [])];
    if (moved.length > 0) track.change(retiming(moved));
    if (!next) track.change({ type: 'insert', captions: [caption({ id, ...begun, text: '' })] });
    marks.value = [...marks.value, { id, at: begun.start, steps: (moved.length > 0 ? 1 : 0) + (next ? 0 : 1) }];
    open = id;
    cursor.goTo(id, 'followed');
  }
  /** The key came up: held, that is where the caption ends. */
  function release(): void {
    const house = job.job;
    const here = track.timed.find((c) => c.id === open);
    if (!house || !here || performance.now() - down < tap) return;
    track.change(retiming([markEnd(track.timed, here, now(false), moveRulesOf(house))]));
    marks.value = marks.value.map((m) => (m.id === open ? { ...m, steps: m.steps + 1 } : m));
    open = null;
  }
  /** Takes the last mark back and plays from before it. */
  function takeBack(): void {
    const last = marks.value.at(-1);
    if (!last || !track.editable) return;
    for (let n = 0; n < last.steps; n++) track.undo();
    marks.value = marks.value.slice(0, -1);
    open = marks.value.at(-1)?.id ?? null;
    playback.seek(Math.max(0, last.at - again));
    playback.play();
  }
  /** The next one is not marked now; what follows it is next. */
  function skip(): void {
    const [next] = queue.value;
    if (next) skipped.value = new Set([...skipped.value, next.id]);
  }
  /** Those that were skipped are in the queue again. */
  const bringBack = (): void => void (skipped.value = new Set());
  return { untimed, queue, marks, press, release, takeBack, skip, bringBack };
});

/** Dragging on the tape: an edge, with the neighbour’s where they share it, or a caption whole. Nothing is kept before it is let go. */
import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { isShared, moveCaptions, moveEdge, type Edge, type Moved } from '../../../core/timing/drag/move.ts';
import { stretchesIn } from '../../../core/audio/heard-under.ts';
import { snapTo, type SnapTarget } from '../../../core/timing/drag/snap.ts';
import { nearestFrame } from '../../../core/timing/clock/timecode.ts';
import { captionAt, type Caption } from '../../../core/model/caption.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useTried } from '../../data/tracks/tried.ts';
import { moveRulesOf, retiming } from '../../desk/captions/retiming.ts';
import { useTapeView } from './tape-view.ts';

/** What is held: an edge of a caption, or all of it. */
export type Handle = Edge | 'whole';

/** Keys that are held while dragging. */
export interface DragKeys {
  /** One side of a shared edge moves alone. */
  readonly alone: boolean;
  /** Neighbours are pushed along. */
  readonly push: boolean;
  /** Nothing draws. */
  readonly free: boolean;
}

interface Held {
  readonly index: number;
  readonly handle: Handle;
  /** The captions as they were when it was taken. */
  readonly captions: readonly Caption[];
  /** From the pointer to what it holds, in ms. */
  readonly offset: number;
  readonly moved: Moved;
  readonly shared: boolean;
}

/** Targets draw from so many px away. */
const reach = 8;
/** What lies further away than this, in ms, draws nothing. */
const nearby = 60_000;
const unmoved: Moved = { changes: [], stopped: null };

export const useDrag = defineStore('tape-drag', () => {
  const view = useTapeView();
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const selection = useSelection();
  const playback = usePlayback();
  const preferences = usePreferences();
  const sound = useSound();

  const held = shallowRef<Held | null>(null);
  const tried = useTried();
  watch(held, (now) => (tried.dragged = now?.moved.changes ?? []), { flush: 'sync' });
  const caption = computed(() => held.value?.captions[held.value.index] ?? null);
  /** Where the held edge was, and by how much it has been moved, in ms; null while nothing is. */
  const difference = computed(() => {
    const now = held.value;
    const before = caption.value;
    const after = now?.moved.changes.find((c) => c.id === before?.id);
    if (!now || !before) return null;
    const edge = now.handle === 'end' ? 'end' : 'start';
    return { was: before[edge], by: (after ?? before)[edge] - before[edge] };
  });

  function begin(id: string, handle: Handle, at: number): void {
    // Captions without times are in nobody's way.
    const captions = track.timed;
    const index = captions.findIndex((c) => c.id === id);
    const here = captions[index];
    if (!here || !job.job || !track.editable) return;
    const rules = moveRulesOf(job.job);
    const shared =
      handle === 'start'
        ? isShared(captions[index - 1], here, rules)
        : handle === 'end' && isShared(here, captions[index + 1], rules);
    const edge = handle === 'end' ? here.end : here.start;
    held.value = { index, handle, captions, offset: at - edge, moved: unmoved, shared };
    cursor.enter(here.id);
  }

  /** What may draw the edge: where speech and words begin and end, neighbours with the smallest gap, the playhead. */
  function* targets({ captions, index, handle }: Held, near: number, gap: number): Generator<SnapTarget> {
    const { snaps } = preferences;
    const begins = handle !== 'end';
    const { lead, linger } = job.job?.style.time ?? { lead: 0, linger: 0 };
    if (snaps.speech)
      for (const s of stretchesIn(sound.regions?.speech ?? [], near - nearby, near + nearby))
        yield { at: begins ? s.start - lead : s.end + linger, what: 'speech' };
    if (snaps.words)
      for (const c of captions.slice(Math.max(0, index - 2), index + 3))
        for (const w of c.words) yield { at: begins ? w[2] : w[3], what: 'word' };
    if (snaps.captions)
      for (const c of captions.slice(captionAt(captions, near - nearby) + 1, captionAt(captions, near + nearby) + 1))
        if (c.id !== captions[index]?.id) yield { at: begins ? c.end + gap : c.start - gap, what: 'caption' };
    if (snaps.playhead) yield { at: playback.time, what: 'playhead' };
  }

  /** The captions that go along with the one that is held: the selected ones where it is one of them. */
  function together({ captions, index }: Held): { readonly from: number; readonly to: number } {
    const selected = new Set(
      selection.places ? track.captions.slice(selection.places.from, selection.places.to + 1).map((c) => c.id) : [],
    );
    if (!selected.has(captions[index]?.id ?? '')) return { from: index, to: index };
    return {
      from: captions.findIndex((c) => selected.has(c.id)),
      to: captions.findLastIndex((c) => selected.has(c.id)),
    };
  }

  function move(at: number, { alone, push, free }: DragKeys): void {
    const now = held.value;
    const before = caption.value;
    if (!now || !before || !job.job) return;
    const rules = moveRulesOf(job.job);
    const wanted = at - now.offset;
    const drawn = free ? null : snapTo(wanted, targets(now, wanted, rules.gap), reach / view.perMs);
    const framed = !free && preferences.snaps.frames ? nearestFrame(wanted, job.job.rate) : wanted;
    const to = drawn?.at ?? framed;
    const moved =
      now.handle === 'whole'
        ? moveCaptions(now.captions, { ...together(now), by: to - before.start, push }, rules)
        : moveEdge(now.captions, { index: now.index, edge: now.handle, to, alone, push }, rules);
    held.value = { ...now, moved };
    const after = moved.changes.find((c) => c.id === before.id);
    // The picture shows what is on at the edge.
    if (after && !playback.runs()) playback.glance(now.handle === 'end' ? after.end : after.start);
  }

  /** Lets go: what was moved is one step. */
  function finish(): void {
    const now = held.value;
    held.value = null;
    if (!now || !track.editable) return;
    // Others may have taken captions away meanwhile.
    const there = new Set(track.captions.map((c) => c.id));
    const changes = now.moved.changes.filter((c) => there.has(c.id));
    if (changes.length > 0) track.change(retiming(changes));
  }
  /** Gives it up: everything stays as it was. */
  function cancel(): void {
    held.value = null;
  }
  return { held, caption, difference, begin, move, finish, cancel };
});

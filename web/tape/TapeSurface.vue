<script setup lang="ts">
import ProgressBar from '../controls/ProgressBar.vue';
import TextButton from '../controls/TextButton.vue';
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue';
import { lanesOf } from '../../core/timing/lanes.ts';
import { mustGo } from '../../core/rules/findings.ts';
import { captionAt, type Caption } from '../../core/track/caption.ts';
import { usePlayback } from '../playback/playback.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { usePreferences } from '../stores/preferences.ts';
import { useTimes } from '../stores/times.ts';
import { useUndoInSight } from '../captions/undo-in-sight.ts';
import { useTrack } from '../stores/track.ts';
import { useView } from '../stores/view.ts';
import { useSound } from '../stores/sound.ts';
import { useStretch } from '../recording/stretch.ts';
import StretchEnds from '../recording/StretchEnds.vue';
import { useRetime } from '../retime/retime.ts';
import { useDraftWords } from '../stores/draft-words.ts';
import { useChosenEdge } from './chosen-edge.ts';
import { keyStepOf, withMoved } from '../captions/retiming.ts';
import { useDrawn } from './drawn.ts';
import { useFineSound } from './fine-sound.ts';
import FoldList from './FoldList.vue';
import { columns, paintTape } from './paint.ts';
import { saidWords } from './said-words.ts';
import { useTapeView } from './tape-view.ts';
import DragNote from './DragNote.vue';
import DrawnBar from './DrawnBar.vue';
import MarkQueue from './MarkQueue.vue';
import TapeBlock from './TapeBlock.vue';
import { useDrag } from './use-drag.ts';
import { useTapeHands } from './use-tape-hands.ts';

const job = useJob();
const track = useTrack();
const place = usePlace();
const times = useTimes();
const playback = usePlayback();
const findings = useFindings();
const preferences = usePreferences();
const inSight = useView();
const sound = useSound();
const view = useTapeView();
const drag = useDrag();
const edge = useChosenEdge();
const retime = useRetime();
const part = useStretch();
const drawn = useDrawn();
const draft = useDraftWords();
const fine = useFineSound();
const tape = useTemplateRef<HTMLElement>('tape');
const ground = useTemplateRef<HTMLCanvasElement>('ground');
const playhead = useTemplateRef<HTMLElement>('playhead');

/** More blocks than this are drawn as bars: they are too small to be read, and too many to be put up. */
const mostBlocks = 60;
/** How many captions before the page are looked at for one that reaches into it. */
const before = 20;

const captions = computed(() => withMoved(retime.captions, drag.held?.moved.changes ?? []));
/** The places of the captions that are timed and on the page. */
const shown = computed(() => {
  const all = captions.value;
  const first = Math.max(0, captionAt(all, view.from) - before);
  const last = captionAt(all, view.until);
  const places: { readonly index: number; readonly caption: Caption }[] = [];
  for (let index = first; index <= last; index++) {
    const caption = all[index];
    if (caption && caption.end > view.from && caption.timing === 'set') places.push({ index, caption });
  }
  return places;
});
const asBars = computed(() => shown.value.length > mostBlocks);
const blocks = computed(() => {
  if (asBars.value) return [];
  const lanes = lanesOf(shown.value.map((s) => s.caption));
  return shown.value.map((s, i) => ({ ...s, lane: lanes[i]?.lane ?? 0, lanes: lanes[i]?.of ?? 1 }));
});
/** Px that what stands beside a caption needs. */
const besideRoom = 18;
/** Captions whose words beside them would stand on those of another; the cursor caption's are never left out. */
const crowded = computed(() => {
  const least = besideRoom / view.perMs;
  const here = place.caption;
  let last = -Infinity;
  const left = new Set<string>();
  for (const { caption } of blocks.value) {
    if (caption.id === here?.id) last = caption.start;
    else if (caption.start - last < least || (here && Math.abs(caption.start - here.start) < least))
      left.add(caption.id);
    else last = caption.start;
  }
  return left;
});
/** Px of a second from which on words have room at their times. */
const wordRoom = 60;
const wordsOf = (of: readonly Caption[]) => (view.perMs * 1000 >= wordRoom ? saidWords(of, view.from, view.until) : []);
const words = computed(() => (preferences.showsWords ? wordsOf(track.captions) : []));
const draftWords = computed(() => (preferences.showsDraft ? wordsOf(draft.captions) : []));
/** Where captions on the page were, that are tried elsewhere. */
const ghosts = computed(() => {
  const moved = new Set(retime.side === 'after' ? retime.changes.map((c) => c.id) : []);
  if (moved.size === 0 || asBars.value) return [];
  return track.captions.filter((c) => moved.has(c.id) && c.end > view.from && c.start < view.until);
});
const step = computed(() => (job.job ? keyStepOf(job.job) : 10));

let width = 0;
let frame = 0;
function draw(): void {
  frame ||= requestAnimationFrame(() => {
    frame = 0;
    if (!ground.value || !job.job || width === 0) return;
    paintTape(ground.value, {
      width,
      height: view.height,
      from: view.from,
      until: view.until,
      perMs: view.perMs,
      yOf: view.yOf,
      timeAt: view.timeAt,
      folds: view.folds,
      length: view.length,
      rate: job.job.rate,
      peaks: sound.peaks,
      speech: sound.regions?.speech ?? null,
      fine: fine.value,
      inFrames: times.counted !== null,
      stretch: part.shown,
      drawn: drawn.stretch,
      words: words.value,
      draftWords: draftWords.value,
      ghosts: ghosts.value,
      bars: asBars.value
        ? shown.value.map(({ caption }) => ({ ...caption, alarm: mustGo(findings.of(caption.id)) }))
        : [],
    });
  });
}
function movePlayhead(): void {
  if (playhead.value) playhead.value.style.transform = `translateY(${String(view.yOf(playback.time) - 1)}px)`;
}
const watcher = new ResizeObserver(([entry]) => {
  if (!entry) return;
  width = entry.contentRect.width;
  view.height = Math.max(100, entry.contentRect.height);
  draw();
});
const wantsStill = matchMedia('(prefers-reduced-motion: reduce)');
onMounted(() => {
  if (tape.value) watcher.observe(tape.value);
  if (place.caption) view.show(place.caption.start, place.caption.end);
  void document.fonts.ready.then(draw);
  tape.value?.focus({ preventScroll: true });
});
onBeforeUnmount(() => {
  watcher.disconnect();
  cancelAnimationFrame(frame);
  drag.cancel();
  inSight.ends = null;
});
watch(
  [
    () => view.from,
    () => view.span,
    () => view.height,
    () => view.folds,
    shown,
    () => sound.peaks,
    () => sound.regions,
    fine,
    () => part.shown,
    () => drawn.stretch,
    words,
    draftWords,
    ghosts,
    () => times.counted,
    () => preferences.dark,
  ],
  draw,
);
watch([() => view.from, () => view.span, () => view.height, () => view.folds, () => playback.time], movePlayhead, {
  flush: 'post',
  immediate: true,
});
watch(
  () => playback.time,
  (now) => {
    // Nothing moves under a hand that holds something.
    if (playback.playing && place.follow && !drag.held) view.follow(now, wantsStill.matches);
  },
);
watch([() => place.caption?.id, () => place.gone], () => {
  if (place.caption && !drag.held && !place.follow) view.show(place.caption.start, place.caption.end);
});
useUndoInSight();
watch(
  shown,
  (now) => {
    const [first, last] = [now[0]?.caption.id, now.at(-1)?.caption.id];
    inSight.ends = first && last ? { first, last } : null;
  },
  { immediate: true },
);

const hands = useTapeHands(tape, { step, write });
/** A key on an edge chooses it and moves it. */
function onEdgeKey(which: 'start' | 'end', event: KeyboardEvent): void {
  if (!['ArrowUp', 'ArrowDown'].includes(event.key) || event.altKey) return;
  if (edge.edge !== which || edge.caption?.id !== place.caption?.id) edge.choose(which);
  edge.onKey(event);
}
/** The text of the cursor caption is being written in its block. */
const writing = ref(false);
function write(): void {
  if (place.caption?.timing !== 'set' || asBars.value) return;
  view.show(place.caption.start, place.caption.end);
  writing.value = true;
}
/** A caption is pressed: it is chosen, and pressed again its text is written. */
function choose(id: string): void {
  if (place.caption?.id === id) {
    write();
    return;
  }
  writing.value = false;
  place.enter(id);
}
function leaveText(): void {
  writing.value = false;
  tape.value?.focus({ preventScroll: true });
}
watch(asBars, () => (writing.value = false));
</script>

<template>
  <div
    ref="tape"
    class="tape"
    tabindex="0"
    role="group"
    aria-label="Tape: time runs down the page"
    data-test="tape"
    data-single-keys
    :style="{ '--blocks': `${columns.blocks}px`, '--beside': `${columns.beside}px` }"
    @wheel.prevent="hands.onWheel"
    @pointerdown="hands.onDown"
    @pointermove="hands.onMove"
    @pointerup="hands.onUp"
    @pointercancel="drag.cancel()"
    @dblclick="hands.onDouble"
    @keydown="hands.onKey"
  >
    <canvas ref="ground" aria-hidden="true"></canvas>
    <div role="list" aria-label="Captions on the page">
      <TapeBlock
        v-for="{ index, caption, lane, lanes } in blocks"
        :key="caption.id"
        :style="{ transform: `translateY(${view.yOf(caption.start)}px)` }"
        :caption="caption"
        :nth="index + 1"
        :per-ms="view.perMs"
        :above="Math.max(0, -view.yOf(caption.start))"
        :lane="lane"
        :lanes="lanes"
        :here="place.caption?.id === caption.id"
        :chosen="edge.caption?.id === caption.id ? edge.edge : null"
        :findings="findings.of(caption.id)"
        :house="job.job!.style"
        :clock="times.clock"
        :until="view.length"
        :crowded="crowded.has(caption.id)"
        :writing="writing && place.caption?.id === caption.id"
        @choose="choose(caption.id)"
        @leave="leaveText()"
        @take="(handle, event) => hands.take(caption.id, handle, event)"
        @edge="onEdgeKey"
      />
    </div>
    <FoldList />
    <StretchEnds :place="view.yOf" :time="view.timeAt" />
    <DragNote :step="step" />
    <DrawnBar />
    <MarkQueue />
    <p v-if="sound.reading !== null" class="tape-sound small floating">
      <ProgressBar label="Reading the sound" :share="sound.reading" small />
      Reading the sound
      <TextButton @click="sound.stop()">Stop</TextButton>
    </p>
    <p v-else-if="sound.trouble" class="tape-sound small floating" role="status">
      {{ sound.trouble }} <TextButton @click="sound.want()">Try again</TextButton>
    </p>
    <div ref="playhead" class="tape-playhead">
      <span class="figures">{{ times.clock(playback.time) }}</span>
    </div>
  </div>
</template>

<style scoped>
.tape {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: hidden;
  touch-action: none;
}
.tape:focus-visible {
  outline-offset: -2px;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.tape-playhead {
  position: absolute;
  top: 0;
  right: 0;
  left: 0;
  height: 2px;
  background: var(--sun);
  pointer-events: none;
}
.tape-playhead span {
  position: absolute;
  top: -10px;
  left: 0;
  padding: 0 5px;
  background: var(--sun-text);
  color: var(--sheet);
  font-size: var(--size-fine);
}
.tape-sound {
  position: absolute;
  bottom: 12px;
  left: 80px;
  z-index: 4;
  width: 260px;
  padding: 6px 10px;
}
</style>

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
import { useTrack } from '../stores/track.ts';
import { useView } from '../stores/view.ts';
import { useSound } from '../stores/sound.ts';
import { useChosenEdge } from './chosen-edge.ts';
import { keyStepOf, withMoved } from '../captions/retiming.ts';
import { columns, paintTape } from './paint.ts';
import { useTapeView } from './tape-view.ts';
import MarkBar from './MarkBar.vue';
import TapeBlock from './TapeBlock.vue';
import { useDrag, type Handle } from './use-drag.ts';

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
const tape = useTemplateRef<HTMLElement>('tape');
const ground = useTemplateRef<HTMLCanvasElement>('ground');
const playhead = useTemplateRef<HTMLElement>('playhead');

/** More blocks than this are drawn as bars: they are too small to be read, and too many to be put up. */
const mostBlocks = 60;
/** How many captions before the page are looked at for one that reaches into it. */
const before = 20;

const captions = computed(() => withMoved(track.captions, drag.held?.moved.changes ?? []));
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
      perMs: view.perMs,
      length: view.length,
      rate: job.job.rate,
      peaks: sound.peaks,
      speech: sound.regions?.speech ?? null,
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
    shown,
    () => sound.peaks,
    () => sound.regions,
    () => preferences.dark,
  ],
  draw,
);
watch([() => view.from, () => view.span, () => view.height, () => playback.time], movePlayhead, {
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
watch(
  shown,
  (now) => {
    const [first, last] = [now[0]?.caption.id, now.at(-1)?.caption.id];
    inSight.ends = first && last ? { first, last } : null;
  },
  { immediate: true },
);

const timeOf = (event: MouseEvent): number =>
  view.timeAt(event.clientY - (tape.value?.getBoundingClientRect().top ?? 0));
function take(index: number, handle: Handle, event: PointerEvent): void {
  if (event.button !== 0) return;
  event.preventDefault();
  tape.value?.setPointerCapture(event.pointerId);
  drag.begin(index, handle, timeOf(event));
}
function onMove(event: PointerEvent): void {
  if (drag.held)
    drag.move(timeOf(event), { alone: event.shiftKey, push: event.ctrlKey || event.metaKey, free: event.altKey });
}
function onDown(event: PointerEvent): void {
  const x = event.clientX - (tape.value?.getBoundingClientRect().left ?? 0);
  if (event.button === 0 && x < columns.sound + columns.soundWidth) playback.seek(timeOf(event));
}
function onWheel(event: WheelEvent): void {
  if (event.ctrlKey) view.zoom(Math.exp(event.deltaY / 400), timeOf(event));
  else {
    place.follow = false;
    const px = event.deltaMode === 1 ? event.deltaY * 24 : event.deltaY;
    view.scrollTo(view.from + px / view.perMs);
  }
}
function onKey(event: KeyboardEvent): void {
  if (event.key === 'Escape' && drag.held) drag.cancel();
  else if (event.ctrlKey || event.metaKey || event.altKey || event.target !== tape.value) return;
  else if (event.key === 'Enter') write();
  else if (event.key === 'ArrowLeft') playback.seek(playback.time - step.value);
  else if (event.key === 'ArrowRight') playback.seek(playback.time + step.value);
  else if (event.key === 'ArrowUp') place.move(-1);
  else if (event.key === 'ArrowDown') place.move(1);
  else if (event.key === 'PageUp') view.scrollTo(view.from - view.span * 0.8);
  else if (event.key === 'PageDown') view.scrollTo(view.from + view.span * 0.8);
  else if (event.key === '+' || event.key === '=') view.closer(playback.time);
  else if (event.key === '-') view.further(playback.time);
  else return;
  event.preventDefault();
  event.stopPropagation();
}
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
const signed = (ms: number): string => `${ms < 0 ? '−' : '+'}${(Math.abs(ms) / 1000).toFixed(3)} s`;
const said = computed(() => {
  const { difference, held } = drag;
  if (!difference || !held || !job.job) return null;
  const frames = Math.round(difference.by / step.value);
  const unit = (job.job.recording?.width ?? 0) > 0 ? `${frames < 0 ? '−' : '+'}${String(Math.abs(frames))} frames` : '';
  const shared = held.shared ? 'both sides; Shift for this one' : 'Ctrl pushes';
  return {
    y: view.yOf(difference.was + difference.by),
    was: view.yOf(difference.was),
    text: signed(difference.by),
    unit,
    shared,
  };
});
</script>

<template>
  <MarkBar />
  <div
    ref="tape"
    class="tape"
    tabindex="0"
    role="group"
    aria-label="Tape: time runs down the page"
    data-test="tape"
    data-single-keys
    :style="{ '--blocks': `${columns.blocks}px`, '--beside': `${columns.beside}px` }"
    @wheel.prevent="onWheel"
    @pointerdown="onDown"
    @pointermove="onMove"
    @pointerup="drag.finish()"
    @pointercancel="drag.cancel()"
    @keydown="onKey"
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
        :writing="writing && place.caption?.id === caption.id"
        @choose="choose(caption.id)"
        @leave="leaveText()"
        @take="(handle, event) => take(index, handle, event)"
        @edge="onEdgeKey"
      />
    </div>
    <template v-if="said">
      <i class="tape-was" :style="{ transform: `translateY(${said.was}px)` }"></i>
      <p class="tape-moved floating small" :style="{ transform: `translateY(${said.y}px)` }" role="status">
        <b class="figures">{{ said.text }}</b> {{ said.unit }} <span class="soft">{{ said.shared }}</span>
      </p>
    </template>
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
.tape-playhead,
.tape-was {
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
.tape-was {
  left: var(--blocks);
  height: 1px;
  background: var(--soft);
}
.tape-sound {
  position: absolute;
  bottom: 12px;
  left: 80px;
  z-index: 4;
  width: 260px;
  padding: 6px 10px;
}
.tape-moved {
  position: absolute;
  top: 8px;
  left: calc(var(--blocks) + 40px);
  z-index: 4;
  padding: 2px 10px;
  pointer-events: none;
}
</style>

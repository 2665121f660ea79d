<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue';
import { driftOf } from '../../../core/timing/drag/drift.ts';
import { captionAt } from '../../../core/model/caption.ts';
import { lengthInWords, wholeClock } from '../../../core/timing/clock/clock.ts';
import { speedText } from '../../../core/text/measures.ts';
import { measuresOf } from '../../ui/measured.ts';
import { useStretch } from '../../recording/about/stretch.ts';
import StretchEnds from '../../recording/about/StretchEnds.vue';
import { useTried } from '../../data/tracks/tried.ts';
import { useFindings } from '../findings/findings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useView } from '../../data/tracks/view.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useWholeLength } from '../../recording/playback/whole-length.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useNextFrame, useWhenIdle } from '../../ui/idle.ts';
import RowButton from '../../ui/controls/RowButton.vue';
import { paintGround, paintMarks } from './draw.ts';

const job = useJob();
const track = useTrack();
const cursor = useCursor();
const view = useView();
const playback = usePlayback();
const findings = useFindings();
const preferences = usePreferences();
const sound = useSound();
const tried = useTried();
const part = useStretch();
const ground = useTemplateRef<HTMLCanvasElement>('ground');
const marks = useTemplateRef<HTMLCanvasElement>('marks');
const playhead = useTemplateRef<HTMLElement>('playhead');
/** Ears and the page are told of whole seconds; every frame would be too often. */
const second = computed(() => Math.floor(playback.time / 1000));
const size = ref({ width: 0, height: 0 });
const length = useWholeLength();
const limit = computed(() => job.job?.style.reading.speed.limit ?? 20);
const inView = computed(() => {
  const first = view.places && track.captions[view.places.from];
  const last = view.places && track.captions[view.places.to];
  return first && last ? { start: first.start, end: last.end } : null;
});
const proofed = computed(() => Math.floor((100 * track.proofed) / Math.max(1, track.captions.length)));
/** What the strip shows, in words: where one is, what the caption there has, how the whole stands. */
const inWords = computed(() => {
  const here = cursor.caption;
  const parts = [`${wholeClock(second.value * 1000)} of ${lengthInWords(length.value)}`];
  if (here && job.job) {
    const { speed } = measuresOf(here, job.job.style.counting);
    const found = findings.of(here.id).length;
    parts.push(
      `caption ${String(cursor.index + 1)} of ${String(track.captions.length)}, ${speedText(speed)} of ${String(limit.value)} characters per second, ${here.proofed ? 'proofed' : 'not proofed'}${found > 0 ? `, ${String(found)} to look at` : ''}`,
    );
  }
  parts.push(`${String(findings.count)} findings and ${String(proofed.value)} % proofed in all`);
  return parts.join('; ');
});
const drift = computed(() =>
  preferences.showsDrift && sound.regions
    ? driftOf(
        tried.captions.filter((c) => c.timing === 'set'),
        sound.regions.speech,
      )
    : null,
);
/** Bars of an hour are a thousand rectangles: they are painted between keys, not at each of them. */
const drawGround = useWhenIdle(() => {
  if (!ground.value || !job.job || size.value.width === 0) return;
  paintGround(ground.value, {
    ...size.value,
    captions: tried.captions,
    stretch: part.shown,
    findings: findings.found.byCaption,
    counting: job.job.style.counting,
    length: length.value,
    limit: limit.value,
    speech: sound.regions?.speech ?? null,
    drift: drift.value,
  });
});
const drawMarks = useNextFrame(() => {
  if (!marks.value || size.value.width === 0) return;
  paintMarks(marks.value, { ...size.value, length: length.value, cursor: cursor.caption, view: inView.value });
});
/** The playhead moves at every frame while the recording plays; it is a line of its own, so that nothing else is drawn. */
function movePlayhead(): void {
  const x = (playback.time / length.value) * size.value.width;
  if (playhead.value) playhead.value.style.transform = `translateX(${String(x - 1)}px)`;
}
const watcher = new ResizeObserver(([entry]) => {
  if (entry) size.value = { width: entry.contentRect.width, height: entry.contentRect.height };
});
onMounted(() => {
  if (marks.value) watcher.observe(marks.value);
  void document.fonts.ready.then(drawGround);
});
onBeforeUnmount(() => watcher.disconnect());
watch(
  [
    size,
    length,
    limit,
    () => tried.captions,
    () => part.shown,
    () => findings.found,
    () => sound.regions,
    drift,
    () => preferences.dark,
  ],
  drawGround,
);
watch([size, length, () => cursor.caption, inView, () => preferences.dark], drawMarks);
watch([size, length, () => playback.time], movePlayhead, { flush: 'post' });

function goTo(ms: number): void {
  playback.seek(ms);
  const here = track.captions[captionAt(track.captions, ms)];
  if (here) cursor.goTo(here.id, 'chosen');
}
function onPointer(event: PointerEvent): void {
  if (event.type === 'pointerdown') (event.target as HTMLElement).setPointerCapture(event.pointerId);
  else if ((event.buttons & 1) === 0) return;
  goTo((event.offsetX / Math.max(1, size.value.width)) * length.value);
}
function onKey(event: KeyboardEvent): void {
  const by = { ArrowLeft: -preferences.step, ArrowRight: preferences.step, PageUp: -30_000, PageDown: 30_000 }[
    event.key
  ];
  if (event.key === 'Home') goTo(0);
  else if (event.key === 'End') goTo(length.value);
  else if (by !== undefined) goTo(playback.time + by);
  else return;
  event.preventDefault();
}
</script>

<template>
  <footer class="skyline sheet ruled-above">
    <div class="skyline-names one-line soft">
      <span aria-hidden="true">{{ drift ? '↑ early' : `${limit} cps` }}</span>
      <span aria-hidden="true">{{ drift ? '↓ late' : `${proofed}% proofed` }}</span>
      <RowButton
        class="quiet skyline-switch"
        :disabled="!sound.regions"
        :aria-pressed="preferences.showsDrift"
        data-tip="How early or late captions begin against speech, or how fast they are"
        @click="preferences.showsDrift = !preferences.showsDrift"
      >
        {{ drift ? 'Drift' : 'Speed' }} ⇄
      </RowButton>
    </div>
    <div class="skyline-strip">
      <canvas ref="ground" aria-hidden="true"></canvas>
      <canvas
        ref="marks"
        role="slider"
        tabindex="0"
        aria-label="Skyline: the whole recording"
        aria-orientation="horizontal"
        :aria-valuemin="0"
        :aria-valuemax="Math.round(length / 1000)"
        :aria-valuenow="second"
        :aria-valuetext="inWords"
        @pointerdown="onPointer"
        @pointermove="onPointer"
        @keydown="onKey"
      ></canvas>
      <StretchEnds across :place="(ms) => (ms / length) * size.width" :time="(x) => (x / size.width) * length" />
      <i ref="playhead" class="skyline-playhead" data-test="skyline-playhead"></i>
    </div>
  </footer>
</template>

<style scoped>
.skyline {
  grid-column: 1 / -1;
  display: flex;
}
.skyline-names {
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  flex: none;
  width: 72px;
  padding: 18px 0 2px 6px;
  overflow: hidden;
  font-size: var(--size-sign);
  line-height: 1.2;
}
.skyline-strip {
  position: relative;
  flex: 1;
  width: 0;
}
/* As small as the names above it. */
.skyline-switch {
  padding: 0;
  font-size: inherit;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.skyline-playhead {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
  width: 2px;
  background: var(--sun);
  pointer-events: none;
}
canvas[role] {
  cursor: pointer;
  touch-action: none;
}
</style>

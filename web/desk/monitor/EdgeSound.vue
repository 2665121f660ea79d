<script setup lang="ts">
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue';
import { peakWithin, shownLoud } from '../../../core/audio/peaks.ts';
import { stretchesIn } from '../../../core/audio/heard-under.ts';
import { useNextFrame } from '../../ui/idle.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useChosenEdge } from '../captions/chosen-edge.ts';
import { wiped } from '../../ui/theme/canvas.ts';

/** Two seconds of sound around the edge that is chosen, where no tape shows it: the edge stays in the middle. */
const edge = useChosenEdge();
const sound = useSound();
const track = useTrack();
const playback = usePlayback();
const preferences = usePreferences();
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
/** In ms. */
const shown = 2000;
let width = 0;
const height = 64;

const draw = useNextFrame(() => {
  const at = edge.at;
  const sheet = canvas.value && width > 0 ? wiped(canvas.value, width, height) : null;
  if (!sheet || at === null) return;
  const { context, token } = sheet;
  const from = at - shown / 2;
  const xOf = (ms: number): number => ((ms - from) / shown) * width;
  const across = (start: number, end: number, y: number, tall: number): void =>
    context.fillRect(xOf(start), y, xOf(end) - xOf(start), tall);
  context.fillStyle = token('reed-wash');
  for (const { start, end } of stretchesIn(sound.regions?.speech ?? [], from, from + shown))
    across(start, end, 0, height);
  context.fillStyle = token('sound');
  for (let x = 0; sound.peaks && x < width; x++) {
    const start = from + (x / width) * shown;
    const tall = Math.max(1, shownLoud(peakWithin(sound.peaks, start, start + shown / width)) * (height - 16));
    context.fillRect(x, (height - 6 - tall) / 2, 1, tall);
  }
  // The captions there, at the foot.
  for (const { id, start, end } of track.timed) {
    if (end < from || start > from + shown) continue;
    context.fillStyle = token(id === edge.caption?.id ? 'ink' : 'reed-pale');
    across(start, end, height - 6, 5);
  }
  context.fillStyle = token('ink');
  context.fillRect(width / 2 - 1, 0, 2, height);
  context.fillStyle = token('sun');
  context.fillRect(xOf(playback.time) - 1, 0, 2, height - 6);
});
const watcher = new ResizeObserver(([entry]) => {
  width = entry?.contentRect.width ?? 0;
  draw();
});
onMounted(() => {
  if (canvas.value) watcher.observe(canvas.value);
});
onBeforeUnmount(() => watcher.disconnect());
watch(
  [
    () => edge.at,
    () => sound.peaks,
    () => sound.regions,
    () => track.timed,
    () => playback.time,
    () => preferences.dark,
  ],
  draw,
);
</script>

<template>
  <div class="edge-sound" data-test="edge-sound">
    <canvas ref="canvas" aria-hidden="true"></canvas>
  </div>
</template>

<style scoped>
.edge-sound {
  flex: none;
  padding: 0 12px 8px;
}
canvas {
  display: block;
  width: 100%;
  height: 64px;
  background: var(--ground);
}
</style>

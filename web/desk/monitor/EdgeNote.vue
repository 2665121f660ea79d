<script setup lang="ts">
import { onBeforeUnmount, watch } from 'vue';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useChosenEdge } from '../captions/chosen-edge.ts';

/** Says which edge the keys move, in every stage. */
const edge = useChosenEdge();
const times = useTimes();
const track = useTrack();
const preferences = usePreferences();

/** Whoever presses elsewhere is done with it. */
function onPointer(event: PointerEvent): void {
  if (!(event.target as HTMLElement).closest('.monitor, .edge-note')) edge.release();
}
function listen(on: boolean): void {
  removeEventListener('pointerdown', onPointer, true);
  if (!on) return;
  addEventListener('pointerdown', onPointer, true);
}
watch(() => edge.edge !== null, listen, { immediate: true });
onBeforeUnmount(() => {
  edge.release();
  listen(false);
});
</script>

<template>
  <div role="status">
    <p v-if="edge.caption && edge.at !== null" class="edge-note note small">
      <b>{{ edge.edge === 'start' ? 'Begin' : 'End' }} of caption {{ track.captions.indexOf(edge.caption) + 1 }}</b>
      at <span class="figures">{{ times.clock(edge.at) }}</span>. <kbd>↑</kbd> earlier, <kbd>↓</kbd> later; with Shift
      {{ preferences.edgeSteps.shift / 1000 }} s, with Ctrl {{ preferences.edgeSteps.ctrl / 1000 }} s.
      <kbd>↵</kbd> keeps it, <kbd>Escape</kbd> puts it back.
    </p>
  </div>
</template>

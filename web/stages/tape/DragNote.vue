<script setup lang="ts">
import { computed } from 'vue';
import { useJob } from '../../data/jobs/job.ts';
import { useTapeView } from './tape-view.ts';
import { useDrag } from './drag.ts';

/** While something is dragged: where it was, as a thin line, and by how much it has been moved. */
const props = defineProps<{
  /** How long a picture is, in ms. */
  step: number;
}>();
const job = useJob();
const view = useTapeView();
const drag = useDrag();

const signed = (ms: number): string => `${ms < 0 ? '−' : '+'}${(Math.abs(ms) / 1000).toFixed(3)} s`;
const said = computed(() => {
  const { difference, held } = drag;
  if (!difference || !held || !job.job) return null;
  const frames = Math.round(difference.by / props.step);
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
  <template v-if="said">
    <i class="tape-was" :style="{ transform: `translateY(${said.was}px)` }"></i>
    <p class="tape-moved floating small" :style="{ transform: `translateY(${said.y}px)` }" role="status">
      <b class="figures">{{ said.text }}</b> {{ said.unit }} <span class="soft">{{ said.shared }}</span>
    </p>
  </template>
</template>

<style scoped>
.tape-was {
  position: absolute;
  top: 0;
  right: 0;
  left: var(--blocks);
  height: 1px;
  background: var(--soft);
  pointer-events: none;
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

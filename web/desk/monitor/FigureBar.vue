<script setup lang="ts">
/** A figure as a bar, with its limits as ticks. Decorative: the figure stands beside it in words. */
defineProps<{ value: number; most: number; limits: readonly number[]; over: boolean }>();
</script>

<template>
  <span class="bar" aria-hidden="true">
    <span
      class="fill"
      :class="{ 'over-limit': over }"
      :style="{ width: `${Math.min(100, (value / most) * 100)}%` }"
    ></span>
    <span
      v-for="limit in limits"
      :key="limit"
      class="tick"
      :style="{ left: `${Math.min(100, (limit / most) * 100)}%` }"
    ></span>
  </span>
</template>

<style scoped>
.bar {
  position: relative;
  flex: 1;
  height: 8px;
  border-radius: 4px;
  background: var(--rule);
}
.fill {
  display: block;
  height: 100%;
  border-radius: 4px;
  background: var(--reed);
}
.fill.over-limit {
  background: var(--alarm);
}
.tick {
  position: absolute;
  top: -4px;
  width: 2px;
  height: 16px;
  background: var(--ink);
}
</style>

<script setup lang="ts">
import { ChevronLeft, ChevronRight } from '@lucide/vue';
import type { Edge } from '../../../core/timing/drag/move.ts';
import IconButton from '../../ui/controls/IconButton.vue';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useChosenEdge } from '../captions/chosen-edge.ts';

/** Earlier and later, for begin and end of the cursor caption; the edge is heard as it moves. */
const edge = useChosenEdge();
const track = useTrack();
const cursor = useCursor();
const preferences = usePreferences();
const edges: readonly (readonly [Edge, string])[] = [
  ['start', 'Begin'],
  ['end', 'End'],
];
const ways = [
  { by: -1, name: 'earlier', icon: ChevronLeft },
  { by: 1, name: 'later', icon: ChevronRight },
] as const;
function press(which: Edge, direction: 1 | -1, { ctrlKey, metaKey, shiftKey }: MouseEvent): void {
  const { shift, ctrl } = preferences.edgeSteps;
  edge.nudge(which, direction * (ctrlKey || metaKey ? ctrl : shiftKey ? shift : edge.pictureOrStep()));
}
</script>

<template>
  <div class="edge-buttons row">
    <span v-for="[which, title] in edges" :key="which" class="row" role="group" :aria-label="title">
      <IconButton
        v-for="{ by, name, icon } in ways"
        :key="by"
        :name="`${title} ${name}: a little, with Shift ${preferences.edgeSteps.shift / 1000} s, with Ctrl ${preferences.edgeSteps.ctrl / 1000} s`"
        :disabled="!track.editable || cursor.caption?.timing !== 'set'"
        @click="(event: MouseEvent) => press(which, by, event)"
      >
        <component :is="icon" :size="14" aria-hidden="true" />
      </IconButton>
    </span>
    <span></span>
  </div>
</template>

<style scoped>
.edge-buttons > span {
  flex: 1 1 0;
  gap: 2px;
}
</style>

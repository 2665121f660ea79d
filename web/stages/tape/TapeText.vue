<script setup lang="ts">
import { computed, useTemplateRef } from 'vue';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useSurface } from '../../desk/text/use-surface.ts';

/**
 * The text of the cursor caption, written where it stands on the tape: the surface of Words over this caption and its
 * neighbours, whose lines are not shown, so that every key does what it does there.
 */
const emit = defineEmits<{ leave: [] }>();
const track = useTrack();
const cursor = useCursor();
const parent = useTemplateRef<HTMLElement>('parent');
const beside = computed(() => track.captions.slice(Math.max(0, cursor.index - 1), cursor.index + 2));
useSurface(parent, {
  captions: () => beside.value,
  isWhole: false,
  reading: 'lines',
  covered: () => 0,
  onView: () => undefined,
  onSelect: () => undefined,
});
</script>

<template>
  <div ref="parent" class="words-surface tape-text" @pointerdown.stop @keydown.escape.stop="emit('leave')"></div>
</template>

<style src="../../desk/text/surface.css"></style>
<style scoped>
.tape-text {
  --left: 8px;
  margin-left: 9px;
  --right: 4px;
}
.tape-text :deep(.words-margins),
.tape-text :deep(.cm-line:not(.row-cursor)) {
  display: none;
}
.tape-text :deep(.cm-line.row-cursor) {
  padding-block: 0;
  border-top: 0;
}
.tape-text :deep(.cm-content) {
  padding-top: 3px;
}
</style>

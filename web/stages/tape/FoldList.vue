<script setup lang="ts">
import { computed } from 'vue';
import type { Stretch } from '../../../core/audio/regions.ts';
import { lengthInWords } from '../../../core/timing/clock/clock.ts';
import RowButton from '../../ui/controls/RowButton.vue';
import { foldRoom, useTapeView } from './tape-view.ts';

/** The silences that are folded, each a strip that says how long it is and opens when it is pressed. */
const view = useTapeView();
const shown = computed(() =>
  view.folds.filter((f) => f.end > view.from && f.start < view.until && (f.end - f.start) * view.perMs > foldRoom),
);
/** The strip goes; the keyboard is on the tape again. */
function open(fold: Stretch, event: MouseEvent): void {
  (event.currentTarget as HTMLElement).closest<HTMLElement>('[data-single-keys]')?.focus({ preventScroll: true });
  view.openFold(fold);
}
</script>

<template>
  <RowButton
    v-for="fold in shown"
    :key="fold.start"
    class="tape-fold quiet small"
    :style="{ transform: `translateY(${view.yOf(fold.start)}px)`, height: `${foldRoom}px` }"
    data-tip="Open it"
    @click="open(fold, $event)"
    @pointerdown.stop
  >
    <span aria-hidden="true">⋯</span> {{ lengthInWords(fold.end - fold.start) }} with no speech and no caption
  </RowButton>
</template>

<style scoped>
.tape-fold {
  position: absolute;
  top: 0;
  right: 0;
  left: 76px;
  z-index: 1;
  border-block: 1px dashed var(--rule);
  background: var(--ground);
  color: var(--soft);
  text-align: center;
}
</style>

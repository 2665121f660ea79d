<script setup lang="ts">
import { useTemplateRef } from 'vue';
import { usePreferences } from '../../data/preferences/preferences.ts';

/** The edge between the stage and the monitor: dragged, or moved by arrow keys, it makes the picture larger or smaller. */
const preferences = usePreferences();
const divider = useTemplateRef<HTMLElement>('divider');

/** In px. The stage keeps room for a line of text with its figures. */
const least = 320;
const most = (): number => Math.max(least, Math.round(innerWidth * 0.6));
const step = 24;

/** How wide the monitor is shown now, whoever decided it. */
const shown = (): number => divider.value?.parentElement?.getBoundingClientRect().width ?? least;
const widen = (to: number): void => {
  preferences.monitorWidth = Math.round(Math.max(least, Math.min(most(), to)));
};
function onMove(event: PointerEvent): void {
  if (divider.value?.hasPointerCapture(event.pointerId)) widen(innerWidth - event.clientX);
}
function onKey(event: KeyboardEvent): void {
  const to = { ArrowLeft: shown() + step, ArrowRight: shown() - step, Home: most(), End: least }[event.key];
  if (to === undefined) return;
  event.preventDefault();
  widen(to);
}
</script>

<template>
  <div
    ref="divider"
    class="divider"
    role="separator"
    tabindex="0"
    aria-orientation="vertical"
    aria-label="Width of the monitor"
    aria-controls="monitor"
    :aria-valuemin="least"
    :aria-valuemax="most()"
    :aria-valuenow="preferences.monitorWidth ?? Math.round(shown())"
    data-tip="Drag to make the picture larger; double-click for the usual width"
    @pointerdown="divider?.setPointerCapture($event.pointerId)"
    @pointermove="onMove"
    @keydown="onKey"
    @dblclick="preferences.monitorWidth = null"
  ></div>
</template>

<style scoped>
.divider {
  position: absolute;
  top: 0;
  bottom: 0;
  left: -5px;
  z-index: 3;
  width: 9px;
  cursor: col-resize;
  touch-action: none;
}
.divider:hover {
  background: var(--reed-pale);
}
@media (max-width: 900px) {
  .divider {
    display: none;
  }
}
</style>

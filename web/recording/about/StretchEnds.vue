<script setup lang="ts">
import { computed } from 'vue';
import type { Edge } from '../../../core/timing/drag/move.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useStretch } from './stretch.ts';

/** The ends of the part that is to be captioned, to be dragged, or moved by arrows: on the tape and on the skyline. */
const props = defineProps<{
  /** Time goes across the page instead of down. */
  across?: boolean;
  /** Where a moment stands, in px, and the moment at a place. */
  place: (ms: number) => number;
  time: (px: number) => number;
}>();
const part = useStretch();
const times = useTimes();
/** An arrow moves an end by a tenth of a second, with Shift by ten; in ms. */
const [step, long] = [100, 10_000];
const ends = computed(() =>
  part.shown
    ? ([
        { edge: 'start', title: 'Begin', says: 'captions from here', at: part.shown.start },
        { edge: 'end', title: 'End', says: 'captions up to here', at: part.shown.end },
      ] as const)
    : [],
);
function onDown(event: PointerEvent): void {
  if (event.button === 0) (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
}
function onMove(edge: Edge, event: PointerEvent): void {
  const handle = event.currentTarget as HTMLElement;
  if (!handle.hasPointerCapture(event.pointerId)) return;
  const box = handle.parentElement?.getBoundingClientRect();
  if (box) part.hold(edge, props.time(props.across ? event.clientX - box.left : event.clientY - box.top));
}
function onKey(edge: Edge, at: number, event: KeyboardEvent): void {
  const by = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[event.key];
  if (event.key === 'Escape') part.giveUp();
  else if (by !== undefined) void part.setEnd(edge, at + by * (event.shiftKey ? long : step));
  else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <span
    v-for="{ edge, title, says, at } in ends"
    :key="edge"
    class="part-end"
    :class="[edge, { across }]"
    role="slider"
    tabindex="0"
    :aria-label="`${title} of the part to be captioned`"
    :aria-orientation="across ? 'horizontal' : 'vertical'"
    :aria-valuemin="0"
    :aria-valuemax="times.length"
    :aria-valuenow="at"
    :aria-valuetext="times.clock(at)"
    :data-tip="`${title} of the part to be captioned: drag it`"
    :style="{ transform: across ? `translateX(${place(at)}px)` : `translateY(${place(at)}px)` }"
    @pointerdown.stop="onDown"
    @pointermove="onMove(edge, $event)"
    @pointerup="part.letGo()"
    @pointercancel="part.giveUp()"
    @keydown="onKey(edge, at, $event)"
    ><b v-if="!across" class="small">{{ says }}</b></span
  >
</template>

<style scoped>
.part-end {
  position: absolute;
  top: 0;
  right: 0;
  left: 0;
  z-index: 2;
  height: 10px;
  border-top: 2px solid var(--water);
  cursor: ns-resize;
  touch-action: none;
}
.part-end b {
  position: absolute;
  right: 10px;
  padding: 0 6px;
  background: var(--water);
  color: var(--sheet);
}
.part-end.end b {
  bottom: 100%;
}
.part-end.across {
  right: auto;
  bottom: 0;
  left: -5px;
  width: 10px;
  height: auto;
  border: 0;
  cursor: ew-resize;
}
.part-end.across::after {
  position: absolute;
  inset: 0 4px;
  background: var(--water);
  content: '';
}
</style>

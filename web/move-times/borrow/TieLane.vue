<script setup lang="ts">
import { computed, ref } from 'vue';
import { seconds } from '../../../core/timing/clock/clock.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { TieRow } from './borrow.ts';
import { margin, toPx, type Sight } from './scale.ts';

/**
 * The ties between the two columns: level where the line goes through them, slanting where it does not. Either end can be
 * dragged to another caption.
 */
const props = defineProps<{
  rows: readonly TieRow[];
  /** Captions of the two tracks as they are drawn. */
  moved: readonly Caption[];
  giving: readonly Caption[];
  left: Sight;
  right: Sight;
  /** Id of the caption at the cursor. */
  cursor: string | null;
}>();
const emit = defineEmits<{ choose: [row: TieRow]; tie: [moved: string, giving: string] }>();
/** Of the lane, in px. */
const wide = 132;
const at = computed(() => ({
  moved: new Map(props.moved.map((c) => [c.id, c.start])),
  giving: new Map(props.giving.map((c) => [c.id, c.start])),
}));
/** The end that is dragged, and where it is now, in px from the top of the lane. */
const held = ref<{ readonly row: TieRow; readonly side: 'left' | 'right'; readonly y: number } | null>(null);
const outside = 120;
const lines = computed(() =>
  props.rows.flatMap((row) => {
    const [start, to] = [at.value.moved.get(row.moved), at.value.giving.get(row.giving)];
    if (start === undefined || to === undefined) return [];
    const isHeld = held.value?.row.moved === row.moved;
    const y1 = isHeld && held.value?.side === 'left' ? held.value.y : margin + toPx(start) - props.left.top;
    const y2 = isHeld && held.value?.side === 'right' ? held.value.y : margin + toPx(to) - props.right.top;
    const isOut = (y: number): boolean => y < -outside || y > props.left.height + outside;
    if (isOut(y1) && isOut(y2)) return [];
    const by = row.to - row.at;
    return [
      {
        row,
        y1,
        y2,
        path: `M6 ${String(y1)} C ${String(wide / 2)} ${String(y1)} ${String(wide / 2)} ${String(y2)} ${String(wide - 6)} ${String(y2)}`,
        says: `${by < 0 ? '−' : '+'}${seconds(Math.abs(by)).replace(' s', '')}`,
        kind: row.state.replaceAll(' ', '-'),
      },
    ];
  }),
);
const isUsed = (row: TieRow): boolean => row.state === 'by hand' || row.state === 'found';

function hold(event: PointerEvent, row: TieRow, side: 'left' | 'right'): void {
  const handle = event.currentTarget as SVGElement;
  handle.setPointerCapture(event.pointerId);
  const lane = handle.ownerSVGElement?.getBoundingClientRect().top ?? 0;
  const follow = (e: PointerEvent): void => void (held.value = { row, side, y: e.clientY - lane });
  const drop = (e: PointerEvent): void => {
    handle.removeEventListener('pointermove', follow);
    const now = held.value;
    held.value = null;
    if (!now || e.type === 'pointercancel') return;
    const [list, sight] = side === 'left' ? [props.moved, props.left] : [props.giving, props.right];
    const away = (c: Caption): number => Math.abs(margin + toPx(c.start) - sight.top - now.y);
    const nearest = list.reduce<Caption | null>((best, c) => (best && away(best) <= away(c) ? best : c), null);
    if (!nearest) return;
    if (side === 'left') emit('tie', nearest.id, row.giving);
    else emit('tie', row.moved, nearest.id);
  };
  handle.addEventListener('pointermove', follow);
  handle.addEventListener('pointerup', drop, { once: true });
  handle.addEventListener('pointercancel', drop, { once: true });
}
</script>

<template>
  <svg class="tie-lane" :width="wide" height="100%" aria-hidden="true">
    <g
      v-for="line in lines"
      :key="line.row.moved"
      class="tie"
      :class="[line.kind, { here: line.row.moved === cursor }]"
    >
      <path :d="line.path" />
      <template v-if="isUsed(line.row) || line.row.moved === cursor">
        <g
          :transform="`translate(${wide / 2} ${(line.y1 + line.y2) / 2})`"
          class="said"
          @click="emit('choose', line.row)"
        >
          <rect x="-31" y="-9" width="62" height="18" rx="4" />
          <text class="figures" text-anchor="middle" dominant-baseline="central">{{ line.says }}</text>
        </g>
      </template>
      <circle cx="6" :cy="line.y1" r="5" @pointerdown.prevent="hold($event, line.row, 'left')" />
      <circle :cx="wide - 6" :cy="line.y2" r="5" @pointerdown.prevent="hold($event, line.row, 'right')" />
    </g>
  </svg>
</template>

<style scoped>
.tie-lane {
  flex: none;
  overflow: hidden;
  touch-action: none;
}
.tie {
  color: var(--water);
}
.tie.by-hand {
  color: var(--reed);
}
.tie.weak {
  color: var(--sun);
}
.tie.left-out,
.tie.beside-another {
  color: var(--field);
}
path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.5;
}
.here path,
.by-hand path {
  stroke-width: 2.5;
}
.weak path,
.left-out path,
.beside-another path {
  stroke-dasharray: 4 4;
}
circle {
  fill: currentcolor;
  cursor: ns-resize;
}
rect {
  fill: var(--sheet);
  stroke: currentcolor;
}
.said {
  cursor: pointer;
}
text {
  font-size: var(--size-fine);
  fill: var(--ink);
}
</style>

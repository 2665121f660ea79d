<script setup lang="ts">
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { computed, onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from 'vue';
import { seconds } from '../../../core/timing/clock/clock.ts';
import type { OffsetJump, Offsets } from '../../../core/audio/align/offset.ts';
import { useNextFrame } from '../../ui/idle.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { wiped } from '../../ui/theme/canvas.ts';

/** How far each caption is from where it is said, along the recording: late above, early below. A point is chosen by a press. */
const props = defineProps<{ offsets: Offsets }>();
const emit = defineEmits<{ choose: [at: number] }>();
const times = useTimes();
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const size = shallowRef({ width: 0, height: 0 });
const [left, right, top, foot] = [78, 34, 30, 24];

const x = computed(() => {
  const [first = 0, last = 1] = extent(props.offsets.points, (p) => p.at) as [number | undefined, number | undefined];
  return scaleLinear([first, Math.max(first + 1, last)], [left, size.value.width - right]);
});
const y = computed(() => {
  const [least = 0, most = 0] = extent([...props.offsets.points.map((p) => p.by), 0]) as [
    number | undefined,
    number | undefined,
  ];
  const room = Math.max(400, (most - least) * 0.15);
  return scaleLinear([least - room, most + room], [size.value.height - foot, top]).nice(4);
});
const said = (ms: number): string => (ms === 0 ? '0 s' : `${seconds(Math.abs(ms))} ${ms > 0 ? 'late' : 'early'}`);
/** What a jump is: later captions, and the recording has lost something; earlier ones, and it was put in. */
const saidOfJump = ({ by }: OffsetJump): string =>
  `${seconds(Math.abs(by))} ${by > 0 ? 'missing from' : 'more in'} the recording here`;
/** The same for ears. */
const spoken = computed(() => {
  const { first, jumps } = props.offsets;
  const begin = first === null ? 'Nothing is certain.' : `At the beginning ${said(first)}.`;
  const rest = jumps.map((j) => `At ${times.clock(j.at)}: ${saidOfJump(j)}.`);
  return `How far captions are from where they are said. ${[begin, ...rest].join(' ')}`;
});

const draw = useNextFrame(() => {
  const { width, height } = size.value;
  const sheet = canvas.value && width > 0 ? wiped(canvas.value, width, height) : null;
  if (!sheet) return;
  const { context, token } = sheet;
  context.font = `${token('size-fine')} ${token('figures')}`;
  context.textBaseline = 'middle';
  for (const { from, to } of props.offsets.mismatches) {
    context.fillStyle = token('sun-wash');
    context.fillRect(x.value(from), top, Math.max(3, x.value(to) - x.value(from)), height - top - foot);
  }
  for (const tick of y.value.ticks(4)) {
    context.strokeStyle = token('rule');
    context.lineWidth = tick === 0 ? 1.5 : 0.75;
    context.beginPath();
    context.moveTo(left, y.value(tick));
    context.lineTo(width - right, y.value(tick));
    context.stroke();
    context.fillStyle = token('soft');
    context.textAlign = 'right';
    context.fillText(tick === 0 ? '0 s' : `${tick > 0 ? '+' : '−'}${seconds(Math.abs(tick))}`, left - 8, y.value(tick));
  }
  context.textAlign = 'left';
  context.fillStyle = token('soft');
  const [from = 0, to = 0] = x.value.domain();
  for (const at of scaleLinear([from, to], [0, 1]).ticks(4))
    context.fillText(times.clock(at), x.value(at) - 10, height - 9);
  for (const { at, by, how } of props.offsets.points) {
    context.fillStyle = token(how === 'certain' ? 'water' : how === 'left' ? 'alarm' : 'sun');
    context.beginPath();
    context.arc(x.value(at), y.value(by), how === 'certain' ? 2.5 : 3.5, 0, Math.PI * 2);
    context.fill();
  }
  for (const jump of props.offsets.jumps) {
    context.fillStyle = token('alarm');
    context.fillRect(x.value(jump.at) - 1, top, 2, height - top - foot);
    const says = saidOfJump(jump);
    const wide = context.measureText(says).width;
    context.textAlign = 'left';
    context.fillText(says, Math.max(4, Math.min(x.value(jump.at) + 6, width - wide - 4)), top - 18);
  }
});
const watcher = new ResizeObserver(([entry]) => {
  if (entry) size.value = { width: entry.contentRect.width, height: entry.contentRect.height };
  draw();
});
onMounted(() => canvas.value && watcher.observe(canvas.value));
onBeforeUnmount(() => watcher.disconnect());
watch(() => props.offsets, draw);
function press(event: MouseEvent): void {
  emit('choose', x.value.invert(event.offsetX));
}
</script>

<template>
  <canvas ref="canvas" class="offset-picture" role="img" :aria-label="spoken" @click="press"></canvas>
</template>

<style scoped>
.offset-picture {
  display: block;
  width: 100%;
  height: 210px;
  cursor: pointer;
}
</style>

<script setup lang="ts">
import { computed } from 'vue';
import { smallestGap } from '../../../core/style/style.ts';
import { speedText } from '../../../core/text/measures.ts';
import { gapText, seconds } from '../../../core/timing/clock/clock.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { measuresOf } from '../../ui/measured.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import EdgeButtons from './EdgeButtons.vue';
import FigureBar from './FigureBar.vue';
import TimeFields from './TimeFields.vue';

const props = defineProps<{ caption: Caption }>();
const job = useJob();
const cursor = useCursor();
const track = useTrack();

interface Row {
  readonly name: string;
  readonly value: number;
  /** What a full bar stands for. */
  readonly most: number;
  readonly limits: readonly number[];
  readonly over: boolean;
  readonly text: string;
}

const rows = computed<Row[]>(() => {
  const open = job.job;
  if (!open) return [];
  const { style } = open;
  const { lines, speed, duration } = measuresOf(props.caption, style.counting);
  const limit = style.text.lineLength.limit;
  const before = track.captions[cursor.index - 1];
  const gap = before ? props.caption.start - before.end : null;
  return [
    ...lines.map((n, i): Row => ({
      name: `Line ${String(i + 1)}`,
      value: n,
      most: limit * 1.2,
      limits: [limit],
      over: n > limit,
      text: `${String(n)} of ${String(limit)}`,
    })),
    // A caption that is not timed has no figures of time.
    ...(props.caption.timing === 'set' ? timeRows(speed, duration, gap) : []),
  ];
});
/** What the times of the caption say beside their limits. */
function timeRows(speed: number, duration: number, gap: number | null): Row[] {
  const open = job.job;
  if (!open) return [];
  const { style, rate } = open;
  const fast = style.reading.speed.limit;
  const { shortest, longest } = style.time;
  const least = smallestGap(style, rate);
  return [
    {
      name: 'Reading speed',
      value: Math.min(speed, fast * 3),
      most: fast * 3,
      limits: [fast],
      over: speed > fast,
      text: `${speedText(speed)} of ${String(fast)}`,
    },
    {
      name: 'On screen',
      value: duration,
      most: longest.limit * 1.2,
      limits: [shortest.limit, longest.limit],
      over: duration < shortest.limit || duration > longest.limit,
      text: seconds(duration),
    },
    ...(gap === null
      ? []
      : [
          {
            name: 'Gap before',
            value: Math.max(0, Math.min(gap, 1000)),
            most: 1000,
            limits: [least],
            over: gap < Math.floor(least) - 1,
            text: gapText(gap),
          },
        ]),
  ];
}
</script>

<template>
  <section aria-label="Figures of the cursor caption">
    <h2 class="figures-head one-line row between wrap">
      <span>Caption {{ cursor.index + 1 }} of {{ track.captions.length }}</span>
      <span v-if="caption.timing !== 'set'" class="figures small plain soft">○ not timed</span>
    </h2>
    <TimeFields :key="caption.id" :caption="caption" />
    <EdgeButtons />
    <dl>
      <div v-for="row in rows" :key="row.name" class="figures-row row small">
        <dt>{{ row.name }}</dt>
        <dd class="row grow">
          <FigureBar :value="row.value" :most="row.most" :limits="row.limits" :over="row.over" />
          <span class="figures" :class="{ 'over-limit': row.over }"
            >{{ row.text }}<span v-if="row.over" class="visually-hidden"> (outside the limit)</span></span
          >
        </dd>
      </div>
    </dl>
    <p class="small">
      <b>{{ caption.proofed ? '✓ Proofed' : 'Not proofed' }}</b>
      <span v-if="caption.speakers[0]"> · Speaker {{ caption.speakers[0].speaker }}</span>
    </p>
  </section>
</template>

<style scoped>
.figures-head {
  gap: 0 12px;
  font-size: var(--size);
}
dl {
  margin: 6px 0 8px;
}
.figures-row {
  height: 25px;
}
dt {
  flex: none;
  width: 106px;
}
dd {
  margin: 0;
}
dd .figures {
  flex: none;
  width: 92px;
}
</style>

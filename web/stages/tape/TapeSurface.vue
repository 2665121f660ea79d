<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useUndoInSight } from '../../desk/captions/undo-in-sight.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useTypeAhead } from '../../desk/text/type-ahead.ts';
import { useView } from '../../data/tracks/view.ts';
import StretchEnds from '../../recording/about/StretchEnds.vue';
import { useChosenEdge } from '../../desk/captions/chosen-edge.ts';
import { keyStepOf } from '../../desk/captions/retiming.ts';
import FoldList from './FoldList.vue';
import { columns } from './paint.ts';
import { usualSpan, useTapeView } from './tape-view.ts';
import DragNote from './DragNote.vue';
import DrawnBar from './DrawnBar.vue';
import MarkQueue from './MarkQueue.vue';
import ReadingNote from './ReadingNote.vue';
import { usePreferences } from '../../data/preferences/preferences.ts';
import TapeBlock from './TapeBlock.vue';
import { useDrag } from './drag.ts';
import { useGround } from './use-ground.ts';
import { useShown } from './use-shown.ts';
import { useTapeHands } from './use-tape-hands.ts';

const job = useJob();
const cursor = useCursor();
const times = useTimes();
const playback = usePlayback();
const findings = useFindings();
const inSight = useView();
const view = useTapeView();
const track = useTrack();
const ahead = useTypeAhead();
const drag = useDrag();
const edge = useChosenEdge();
const preferences = usePreferences();
const tape = useTemplateRef<HTMLElement>('tape');
const ground = useTemplateRef<HTMLCanvasElement>('ground');
const playhead = useTemplateRef<HTMLElement>('playhead');

const onPage = useShown();
const { shown, asBars, blocks, crowded } = onPage;
useGround(tape, ground, onPage);
const step = computed(() => (job.job ? keyStepOf(job.job) : 10));

function movePlayhead(): void {
  if (playhead.value) playhead.value.style.transform = `translateY(${String(view.yOf(playback.time) - 1)}px)`;
}
const wantsStill = matchMedia('(prefers-reduced-motion: reduce)');
onMounted(() => {
  if (cursor.caption) view.show(cursor.caption.start, cursor.caption.end);
  tape.value?.focus({ preventScroll: true });
});
onBeforeUnmount(() => {
  drag.cancel();
  inSight.ends = null;
});
watch([() => view.from, () => view.span, () => view.height, () => view.folds, () => playback.time], movePlayhead, {
  flush: 'post',
  immediate: true,
});
watch(
  () => playback.time,
  (now) => {
    // Nothing moves under a hand that holds something.
    if (playback.playing && cursor.follow && !drag.held) view.follow(now, wantsStill.matches);
  },
);
watch([() => cursor.caption?.id, () => cursor.jumps], () => {
  if (cursor.caption && !drag.held && !cursor.follow) view.show(cursor.caption.start, cursor.caption.end);
});
useUndoInSight();
watch(
  shown,
  (now) => {
    const [first, last] = [now[0]?.caption.id, now.at(-1)?.caption.id];
    inSight.ends = first && last ? { first, last } : null;
  },
  { immediate: true },
);

/** What each block shows: one is drawn again only where some of that is another. */
const blocksShown = computed(() => {
  const house = job.job?.style;
  if (!house) return [];
  return blocks.value.map(({ index, caption, lane, lanes }) => {
    const isHere = cursor.caption?.id === caption.id;
    const y = view.yOf(caption.start);
    return {
      caption,
      shown: {
        caption,
        lane,
        lanes,
        y,
        nth: index + 1,
        numbered: preferences.showsNumbers,
        perMs: view.perMs,
        above: Math.max(0, -y),
        here: isHere,
        chosen: edge.caption?.id === caption.id ? edge.edge : null,
        findings: findings.of(caption.id),
        house,
        clock: times.clock,
        until: view.length,
        crowded: crowded.value.has(caption.id),
        writing: writing.value && isHere,
      },
    };
  });
});

const hands = useTapeHands(tape, { step, write, type: (key) => isEmpty.value && typeInto(key) });
/** A key on an edge chooses it and moves it. */
function onEdgeKey(which: 'start' | 'end', event: KeyboardEvent): void {
  if (!['ArrowUp', 'ArrowDown'].includes(event.key) || event.altKey) return;
  if (edge.edge !== which || edge.caption?.id !== cursor.caption?.id) edge.choose(which);
  edge.onKey(event);
}
/** The text of the cursor caption is being written in its block. */
const writing = ref(false);
function write(): void {
  if (cursor.caption?.timing !== 'set') {
    cursor.toWrite = null;
    return;
  }
  // Blocks too small to be read have no room for a text that is written.
  if (asBars.value) view.zoom(usualSpan / view.span, cursor.caption.start);
  view.show(cursor.caption.start, cursor.caption.end);
  writing.value = true;
}
/** A letter for an empty caption opens its text. */
function typeInto(key: string): boolean {
  const here = cursor.caption;
  if (!here) return false;
  cursor.write(here.id);
  ahead.beginWith(key);
  return true;
}
/** A caption is pressed: it is chosen, and moves with the pointer; pressed twice, its text is written. */
function press(id: string, event: PointerEvent): void {
  if (cursor.caption?.id !== id) {
    writing.value = false;
    cursor.enter(id);
  }
  if (!writing.value) hands.press(id, event);
}
function leaveText(): void {
  writing.value = false;
  tape.value?.focus({ preventScroll: true });
}
watch(asBars, (now) => {
  if (now) writing.value = false;
});
watch(
  () => cursor.toWrite,
  (id) => {
    if (id !== null && id === cursor.caption?.id) write();
  },
  { immediate: true },
);
/** Nothing is written in the cursor caption yet: letters are its text, and no commands, unless times are being marked as it plays. */
const isEmpty = computed(
  () => cursor.caption?.timing === 'set' && cursor.caption.text === '' && track.editable && !playback.playing,
);
</script>

<template>
  <div
    ref="tape"
    class="tape"
    tabindex="0"
    role="group"
    aria-label="Tape: time runs down the page"
    data-test="tape"
    :data-single-keys="isEmpty ? null : ''"
    :style="{ '--blocks': `${columns.blocks}px`, '--beside': `${columns.beside}px` }"
    @wheel.prevent="hands.onWheel"
    @pointerdown="hands.onDown"
    @pointermove="hands.onMove"
    @pointerup="hands.onUp"
    @pointercancel="drag.cancel()"
    @dblclick="hands.onDouble"
    @keydown="hands.onKey"
  >
    <canvas ref="ground" aria-hidden="true"></canvas>
    <div role="list" aria-label="Captions on the page">
      <TapeBlock
        v-for="{ caption, shown: block } in blocksShown"
        :key="caption.id"
        v-memo="Object.values(block)"
        v-bind="block"
        @press="(event) => press(caption.id, event)"
        @write="write()"
        @leave="leaveText()"
        @take="(handle, event) => hands.take(caption.id, handle, event)"
        @edge="onEdgeKey"
      />
    </div>
    <FoldList />
    <StretchEnds :place="view.yOf" :time="view.timeAt" />
    <DragNote :step="step" />
    <DrawnBar />
    <MarkQueue />
    <ReadingNote />
    <div ref="playhead" class="tape-playhead">
      <span class="figures">{{ times.clock(playback.time) }}</span>
    </div>
  </div>
</template>

<style scoped>
.tape {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: hidden;
  touch-action: none;
}
.tape:focus-visible {
  outline-offset: -2px;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.tape-playhead {
  position: absolute;
  top: 0;
  right: 0;
  left: 0;
  height: 2px;
  background: var(--sun);
  pointer-events: none;
}
.tape-playhead span {
  position: absolute;
  top: -10px;
  left: 0;
  padding: 0 5px;
  background: var(--sun-text);
  color: var(--sheet);
  font-size: var(--size-fine);
}
</style>

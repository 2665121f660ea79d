<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import type { Finding } from '../../../core/rules/finding.ts';
import { ruleNamed } from '../../../core/rules/findings.ts';
import { timeNeeded, type HouseStyle } from '../../../core/style/style.ts';
import { speedText } from '../../../core/text/measures.ts';
import { seconds } from '../../../core/timing/clock/clock.ts';
import { linesOf, type Caption } from '../../../core/model/caption.ts';
import { comeBackInWords } from '../../ui/describe/come-back.ts';
import { measuresOf } from '../../ui/measured.ts';
import { edgeRoom, lineRoom } from './tape-view.ts';
import type { Handle } from './drag.ts';

const TapeText = defineAsyncComponent(() => import('./TapeText.vue'));
/** A caption on the tape: as tall as it is long, with its text, its edges, and beside it what is said of it. */
const props = defineProps<{
  caption: Caption;
  nth: number;
  /** Px from the top of the page to where it begins. */
  y: number;
  /** Px for a ms. */
  perMs: number;
  /** Px of it above the page: its text stays in sight. */
  above: number;
  lane: number;
  lanes: number;
  here: boolean;
  chosen: 'start' | 'end' | null;
  findings: readonly Finding[];
  house: HouseStyle;
  clock: (ms: number) => string;
  /** How long the recording is, in ms. */
  until: number;
  /** There is no room for words beside it. */
  crowded: boolean;
  /** Its number is shown. */
  numbered: boolean;
  /** Its text is being written. */
  writing: boolean;
}>();
const emit = defineEmits<{
  take: [handle: Handle, event: PointerEvent];
  press: [event: PointerEvent];
  write: [];
  leave: [];
  edge: [edge: 'start' | 'end', event: KeyboardEvent];
}>();

const height = computed(() => Math.max(2, (props.caption.end - props.caption.start) * props.perMs));
const lines = computed(() => linesOf(props.caption));
/** Too short on the page for its text, which then stands beside it. */
const brief = computed(() => height.value < lines.value.length * lineRoom + edgeRoom);
/** How far the text is moved down so that it is seen, as long as it stays within its block. */
const down = computed(() =>
  Math.max(0, Math.min(props.above, height.value - lines.value.length * lineRoom - edgeRoom)),
);
const figures = computed(() => measuresOf(props.caption, props.house.counting));
const limit = computed(() => props.house.reading.speed.limit);
const tooFast = computed(() => figures.value.speed > limit.value && props.house.reading.speed.severity !== 'off');
const needed = computed(() => timeNeeded(props.caption, props.house, limit.value));
const foot = computed(() =>
  tooFast.value ? Math.max(0, needed.value - (props.caption.end - props.caption.start)) * props.perMs : 0,
);
const worst = computed(() => props.findings.find((f) => f.severity === 'must') ?? null);
/** Its number, and that it is marked to be come back to. */
const signs = computed(() =>
  [props.caption.comeBack === null ? '' : '⚑', props.numbered ? String(props.nth) : ''].filter(Boolean).join(' '),
);
const comeBackSays = computed(() => {
  const note = props.caption.comeBack;
  return note === null ? undefined : comeBackInWords(note);
});
const beside = computed(() => (lines.value.join(' ').length > 0 ? lines.value.join(' / ') : 'no text yet'));
const edges = [
  { edge: 'start', title: 'Begin' },
  { edge: 'end', title: 'End' },
] as const;
/** The edges of the caption that is worked on are sliders for ears and keys. */
const sliderOf = (edge: 'start' | 'end', title: string) => ({
  role: 'slider',
  tabindex: 0,
  'aria-orientation': 'vertical' as const,
  'aria-label': `${title} of caption ${String(props.nth)}`,
  'aria-valuemin': 0,
  'aria-valuemax': Math.max(props.until, props.caption[edge]),
  'aria-valuenow': props.caption[edge],
  'aria-valuetext': props.clock(props.caption[edge]),
});
</script>

<template>
  <div
    class="tape-block"
    :class="{ here, brief, fast: tooFast }"
    role="listitem"
    :aria-label="`Caption ${nth}, ${clock(caption.start)} to ${clock(caption.end)}, ${seconds(caption.end - caption.start)}, ${speedText(figures.speed)} of ${limit} cps`"
    :style="{ height: `${height}px`, transform: `translateY(${y}px)`, '--lane': lane, '--lanes': lanes }"
  >
    <div v-if="foot > 0" class="block-foot" :style="{ height: `${height + foot}px` }" aria-hidden="true"></div>
    <div
      class="block-sheet"
      :class="{ written: writing }"
      @pointerdown="emit('press', $event)"
      @dblclick="emit('write')"
    >
      <span class="block-band" aria-hidden="true"></span>
      <span v-if="signs !== ''" class="block-signs figures small" :title="comeBackSays">{{ signs }}</span>
      <TapeText v-if="writing" :style="{ marginTop: `${down}px` }" @leave="emit('leave')" />
      <span v-else-if="!brief" class="block-text lines" dir="auto" :style="{ marginTop: `${down}px` }">{{
        caption.text
      }}</span>
    </div>
    <span
      v-for="{ edge, title } in edges"
      :key="edge"
      class="block-edge"
      :class="[edge, { chosen: chosen === edge }]"
      v-bind="here ? sliderOf(edge, title) : {}"
      @pointerdown.stop="emit('take', edge, $event)"
      @keydown="emit('edge', edge, $event)"
    ></span>
    <p
      v-if="!crowded"
      class="block-beside figures small"
      :class="{ soft: !worst && !tooFast }"
      :style="{ marginTop: `${down}px` }"
    >
      <span v-if="brief" class="block-said truncated" dir="auto">{{ beside }}</span>
      <template v-else>
        <span class="block" :class="{ 'over-limit': tooFast }"
          >{{ tooFast ? '▲ ' : '' }}{{ speedText(figures.speed) }} cps</span
        >
        <span class="block soft">{{ seconds(caption.end - caption.start) }}</span>
        <span v-if="foot > 0" class="block over-limit">needs {{ seconds(needed) }}</span>
        <span v-else-if="worst" class="block over-limit">▲ {{ ruleNamed(worst.rule).short }}</span>
      </template>
    </p>
  </div>
</template>

<style scoped>
.tape-block {
  position: absolute;
  top: 0;
  left: 0;
  width: 100%;
}
.block-sheet {
  position: absolute;
  inset: 0 var(--beside) 1px var(--blocks);
  left: calc(var(--blocks) + (100% - var(--blocks) - var(--beside)) * var(--lane) / var(--lanes));
  width: calc((100% - var(--blocks) - var(--beside)) / var(--lanes) - 2px);
  overflow: hidden;
  border: 1px solid var(--rule);
  background: var(--sheet);
  cursor: grab;
  user-select: none;
}
.here .block-sheet {
  border-color: var(--ink);
}
/* However short it is, what is written in it is seen. */
.block-sheet.written {
  cursor: auto;
  user-select: text;
  z-index: 3;
  bottom: auto;
  height: max(100%, 64px);
  box-shadow: var(--shadow);
}
.block-band {
  position: absolute;
  inset: 0 auto 0 0;
  width: 9px;
  background: var(--reed-pale);
}
.fast .block-band {
  background: var(--alarm);
}
.block-signs {
  position: absolute;
  top: 1px;
  right: 6px;
  color: var(--soft);
  line-height: 16px;
}
.block-text {
  display: block;
  padding: 3px 8px 0 18px;
  font: var(--size-read) / 24px var(--read);
}
.block-foot {
  position: absolute;
  top: 0;
  left: calc(var(--blocks) - 14px);
  width: 11px;
  border: 1px solid var(--alarm);
  background: repeating-linear-gradient(-45deg, var(--alarm) 0 3px, var(--ground) 3px 7px);
}
.block-edge {
  position: absolute;
  right: var(--beside);
  left: var(--blocks);
  z-index: 1;
  height: 9px;
  cursor: ns-resize;
  touch-action: none;
}
.block-edge.start {
  top: -2px;
}
.block-edge.end {
  bottom: -2px;
}
/* What can be taken hold of is seen where the caption is worked on. */
.here .block-edge::after,
.block-edge:hover::after {
  position: absolute;
  top: 2px;
  left: calc(50% - 22px);
  width: 44px;
  height: 5px;
  border-radius: 3px;
  background: var(--ink);
  content: '';
}
.block-edge.chosen::after {
  width: 88px;
  left: calc(50% - 44px);
  background: var(--sun);
}
.block-beside {
  position: absolute;
  top: 2px;
  right: 0;
  width: calc(var(--beside) - 10px);
  line-height: 18px;
}
.block-said {
  display: block;
  font-family: var(--read);
}
</style>

<script setup lang="ts">
import ChoiceButtons from '../../ui/controls/ChoiceButtons.vue';
import Button from 'ant-design-vue/es/button';
import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { computed } from 'vue';
import { barText, spreads, titles, type HistogramBar, type Spread, type SpreadName } from './distributions.ts';

const props = defineProps<{ spread: Spread; chosen: HistogramBar | null }>();
defineEmits<{ show: [name: SpreadName]; choose: [bar: HistogramBar | null] }>();

const measures = spreads.map((name) => [name, titles[name]] as const);
/** Heights in per cent; a bar with a caption in it is never too low to be seen. */
const height = computed(() =>
  scaleLinear([0, Math.max(1, max(props.spread.bars, (b) => b.captions.length) ?? 1)], [0, 100]),
);
const tall = (bar: HistogramBar): number =>
  bar.captions.length === 0 ? 0 : Math.max(3, height.value(bar.captions.length));
const isChosen = (bar: HistogramBar): boolean => props.chosen?.from === bar.from;
const figure = (n: number): string => String(Math.round(n * 100) / 100);
/** The limit that lies at the left edge of a bar. */
const limitAt = (bar: HistogramBar): string | undefined =>
  props.spread.marks.find((m) => Math.abs(m.at - bar.from) < 1e-6)?.says;
</script>

<template>
  <section class="spread" aria-label="How the captions are spread">
    <ChoiceButtons
      :model-value="spread.name"
      label="Measure"
      :options="measures"
      @update:model-value="$emit('show', $event)"
    />
    <div class="spread-bars below">
      <div
        v-for="bar in spread.bars"
        :key="bar.from"
        class="spread-slot"
        :class="{ 'over-limit': bar.over, limit: limitAt(bar) !== undefined }"
      >
        <span v-if="limitAt(bar)" class="spread-limit one-line plain fine-print" aria-hidden="true">{{
          limitAt(bar)
        }}</span>
        <Button
          type="text"
          class="spread-bar"
          :disabled="bar.captions.length === 0"
          :aria-pressed="isChosen(bar)"
          :aria-label="`${barText(spread, bar)}${bar.over ? ', outside the limits' : ''}: ${bar.captions.length} ${bar.captions.length === 1 ? 'caption' : 'captions'}`"
          :data-tip="`${barText(spread, bar)}: ${bar.captions.length}`"
          @click="$emit('choose', isChosen(bar) ? null : bar)"
        >
          <span class="spread-fill" :style="{ height: `${tall(bar)}%` }"></span>
        </Button>
        <span class="spread-tick plain figures soft" aria-hidden="true"
          >{{ bar.from < 0 ? '<0' : figure(bar.from) }}{{ bar.to === Infinity ? '+' : '' }}</span
        >
      </div>
    </div>
    <p class="soft fine-print">
      Captions by {{ spread.title.toLowerCase() }}, {{ spread.unit
      }}{{ spread.marks.map((m) => `; ${m.says}`).join('') }}. Choose a bar to see its captions.
    </p>
  </section>
</template>

<style scoped>
.spread {
  margin-bottom: 14px;
}
.spread-bars {
  display: flex;
  gap: 3px;
  height: 112px;
  padding-bottom: 18px;
}
.spread-slot {
  position: relative;
  flex: 1;
  min-width: 0;
}
.spread-bar.ant-btn {
  align-items: flex-end;
  width: 100%;
  height: 100%;
  padding: 14px 0 0;
  border-width: 0 0 1px;
  border-color: var(--rule);
  border-radius: 0;
  background: none;
}
.spread-fill {
  width: 100%;
  background: var(--reed-pale);
}
.over-limit .spread-fill {
  background: var(--alarm);
}
.spread-bar:hover:not(:disabled) .spread-fill,
.spread-bar[aria-pressed='true'] .spread-fill {
  outline: 2px solid var(--ink);
  outline-offset: -1px;
}
.spread-slot.limit {
  box-shadow: -2px 0 0 -1px var(--soft);
}
.spread-limit {
  position: absolute;
  top: -4px;
  left: 2px;
  z-index: 1;
  color: var(--ink);
}
.spread-tick {
  position: absolute;
  bottom: -18px;
  left: 0;
  transform: translateX(-50%);
  font-size: var(--size-sign);
}
</style>

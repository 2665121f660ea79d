<script setup lang="ts">
import { computed, useTemplateRef, watch } from 'vue';
import { seconds } from '../../../core/timing/clock/clock.ts';
import RowButton from '../../ui/controls/RowButton.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useVirtualRows } from '../../ui/controls/use-virtual-rows.ts';
import { useHearJudged } from '../../recording/playback/hear-judged.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTried } from '../../data/tracks/tried.ts';
import { tieLead, useBorrow, type TieState } from './borrow.ts';

/** The ties under the picture: from where to where, who says so, and how far each is from the others. */
const tried = useTried();
const borrow = useBorrow();
const cursor = useCursor();
const times = useTimes();
const hearFrom = useHearJudged();
const list = useTemplateRef<HTMLElement>('list');
const { places, room, measure, goTo } = useVirtualRows(list, () => borrow.rows.length, 34);
const signs: Readonly<Record<TieState, string>> = {
  'by hand': '✓ set by you',
  found: '✓ found',
  weak: '△ weak',
  'beside another': '– beside one',
  'off the line': '– off the line',
  'left out': '– left out',
};
const inSight = computed(() =>
  places.value.flatMap((index) => (borrow.rows[index] ? [{ index, row: borrow.rows[index] }] : [])),
);
const current = computed(() => borrow.rows.find((r) => r.moved === cursor.caption?.id) ?? null);
const used = computed(() => borrow.rows.filter((r) => r.state === 'by hand' || r.state === 'found').length);
const offTheLine = computed(() => borrow.rows.filter((r) => r.state === 'off the line').length);
const weak = computed(() => borrow.rows.filter((r) => r.state === 'weak').length);
/** What a person would have to put right afterwards. */
const overlaps = computed(
  () => tried.captions.filter((c, i, all) => i > 0 && c.start < (all[i - 1]?.end ?? 0) && c.timing === 'set').length,
);
watch(
  () => current.value?.moved,
  (id) => {
    const at = borrow.rows.findIndex((r) => r.moved === id);
    if (at >= 0) goTo(at);
  },
);
</script>

<template>
  <section class="tie-rows fills ruled-above" aria-label="Ties">
    <div class="row between wrap">
      <h2>{{ used === 1 ? 'One tie' : `${used} ties` }}</h2>
      <span class="soft small">
        <template v-if="offTheLine > 0"
          >{{ offTheLine === 1 ? 'one is' : `${offTheLine} are` }} off the line,
        </template>
        <template v-if="weak > 0">{{ weak === 1 ? 'one more is weak' : `${weak} more are weak` }}, </template>
        {{ overlaps === 0 ? 'no caption overlaps' : `${overlaps} captions overlap` }}
      </span>
    </div>
    <div ref="list" class="tie-list" tabindex="0" role="group" aria-label="All ties">
      <ul class="plain-list" :style="room">
        <li
          v-for="line in inSight"
          :key="line.row.moved"
          :ref="measure"
          class="line-row"
          :class="{ current: line.row.moved === current?.moved }"
          :data-index="line.index"
          :aria-setsize="borrow.rows.length"
          :aria-posinset="line.index + 1"
        >
          <RowButton class="tie-row" @click="cursor.goTo(line.row.moved, 'chosen')">
            <span class="figures fine-print one-line"
              >{{ times.clock(line.row.at) }} → {{ times.clock(line.row.to) }}</span
            >
            <span class="small one-line" :class="line.row.state.replaceAll(' ', '-')">{{ signs[line.row.state] }}</span>
            <span class="figures fine-print soft off one-line">{{ seconds(Math.abs(line.row.off)) }} off</span>
          </RowButton>
        </li>
      </ul>
      <p v-if="borrow.rows.length === 0 && !borrow.isPairing" class="soft small">
        No two captions were found that say the same. Choose one in each column to tie them.
      </p>
    </div>
    <div class="row wrap">
      <TextButton :disabled="!current" @click="current && hearFrom(current.to, tieLead)">Hear it</TextButton>
      <TextButton v-if="current?.state === 'weak'" @click="borrow.take(current)">Use it</TextButton>
      <TextButton
        v-else
        :disabled="!current || current.state === 'beside another' || current.state === 'off the line'"
        @click="current && borrow.untie(current.moved)"
      >
        {{ current?.state === 'left out' ? 'Use it again' : 'Leave it out' }}
      </TextButton>
    </div>
  </section>
</template>

<style scoped>
.tie-rows {
  gap: 6px;
  padding: 10px 12px;
}
.tie-list {
  flex: 1;
  min-height: 60px;
  overflow: hidden auto;
  padding-right: 14px;
}
.tie-row {
  display: grid;
  grid-template-columns: 166px minmax(0, 1fr) 84px;
  gap: 8px;
  width: 100%;
  text-align: start;
}
.off {
  text-align: end;
}
.current {
  background: var(--reed-wash);
}
.by-hand,
.found {
  color: var(--reed);
}
.weak {
  color: var(--sun-text);
}
</style>

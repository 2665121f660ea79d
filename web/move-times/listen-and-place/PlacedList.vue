<script setup lang="ts">
import { useVirtualRows } from '../../ui/controls/use-virtual-rows.ts';
import { computed, useTemplateRef, watch } from 'vue';
import { seconds } from '../../../core/timing/clock/clock.ts';
import CheckField from '../../ui/controls/CheckField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTimes } from '../../data/tracks/times.ts';
import type { PlacedRow } from './listen.ts';
import { usePlacing } from './placing.ts';

/** Every caption before and after, each to be taken or left. */
const props = defineProps<{ rows: readonly PlacedRow[] }>();
defineEmits<{ hear: [row: PlacedRow] }>();
const placing = usePlacing();
const cursor = useCursor();
const times = useTimes();
const list = useTemplateRef<HTMLElement>('list');
const { places, room, measure, goTo } = useVirtualRows(list, () => props.rows.length, 52);
const sides = ['before', 'after'] as const;
const signs = { certain: '✓ certain', 'with neighbours': '△ with its neighbours', left: '△ no match' } as const;
function shown({ before, after, how, moves }: PlacedRow) {
  const by = after.start - before.start;
  return {
    how: signs[how],
    isSure: how === 'certain',
    from: before.timing === 'set' ? times.clock(before.start) : 'no time yet',
    to: times.clock(after.start),
    by:
      before.timing !== 'set'
        ? ''
        : !moves || by === 0
          ? 'stays'
          : `${seconds(Math.abs(by))} ${by < 0 ? 'earlier' : 'later'}`,
  };
}
const inSight = computed(() =>
  places.value.flatMap((index) => {
    const row = props.rows[index];
    return row ? [{ row, index, ...shown(row) }] : [];
  }),
);
watch(
  () => cursor.caption?.id,
  (id) => {
    const at = props.rows.findIndex((r) => r.before.id === id);
    if (at >= 0) goTo(at);
  },
);
</script>

<template>
  <div ref="list" class="placed-list" tabindex="0" role="group" aria-label="Captions, before and after">
    <ul class="plain-list" :style="room">
      <li
        v-for="line in inSight"
        :key="line.row.before.id"
        :ref="measure"
        class="line-row placed-row"
        :class="{ current: cursor.caption?.id === line.row.before.id }"
        :data-index="line.index"
        :aria-setsize="rows.length"
        :aria-posinset="line.index + 1"
      >
        <CheckField
          :model-value="line.row.moves && !placing.refused.has(line.row.before.id)"
          :disabled="!line.row.moves"
          @update:model-value="placing.toggle(line.row.before.id)"
        >
          <span class="figures small soft one-line"
            >{{ line.from }} → <span class="figures ink">{{ line.to }}</span></span
          >
        </CheckField>
        <span class="placed-text" :class="{ 'has-room': !line.by }" dir="auto">{{
          line.row.before.text.replaceAll('\n', ' ')
        }}</span>
        <span v-if="line.by" class="figures small one-line by">{{ line.by }}</span>
        <span class="small" :class="line.isSure ? 'good' : 'uncertain'">{{ line.how }}</span>
        <TextButton small @click="$emit('hear', line.row)">Hear it</TextButton>
        <div v-if="line.row.how === 'left'" class="send row">
          <span class="soft small">It goes</span>
          <TextButton
            v-for="side in sides"
            :key="side"
            small
            :pressed="placing.sent.get(line.row.before.id) === side"
            @click="placing.send(line.row.before.id, side)"
          >
            with the one {{ side }}
          </TextButton>
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.placed-list {
  flex: 1;
  overflow-y: auto;
  min-height: 120px;
}
.placed-row {
  display: grid;
  grid-template-columns: 196px minmax(0, 1fr) 132px 92px auto;
  align-items: center;
  gap: 10px;
}
.placed-row.current {
  background: var(--reed-wash);
}
.placed-text {
  overflow-wrap: anywhere;
}
.send {
  grid-column: 1 / -1;
  padding-left: 24px;
}
.ink {
  color: var(--ink);
}
.has-room {
  grid-column: span 2;
}
.by {
  text-align: right;
}
.uncertain {
  color: var(--sun-text);
}
</style>

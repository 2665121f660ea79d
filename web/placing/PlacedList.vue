<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual';
import { computed, useTemplateRef, watch } from 'vue';
import { seconds } from '../../core/time/clock.ts';
import CheckField from '../controls/CheckField.vue';
import TextButton from '../controls/TextButton.vue';
import { usePlace } from '../stores/place.ts';
import { useTimes } from '../stores/times.ts';
import { usePlacing, type PlacedRow } from './placing.ts';

/** Every caption before and after, each to be taken or left. */
const props = defineProps<{ rows: readonly PlacedRow[] }>();
defineEmits<{ hear: [row: PlacedRow] }>();
const placing = usePlacing();
const place = usePlace();
const times = useTimes();
const list = useTemplateRef<HTMLElement>('list');
const virtual = useVirtualizer(
  computed(() => ({
    count: props.rows.length,
    getScrollElement: () => list.value,
    estimateSize: () => 52,
    overscan: 6,
  })),
);
const signs = { certain: '✓ certain', 'with neighbours': '△ with its neighbours', left: '△ no match' } as const;
function shown({ before, after, how, moves }: PlacedRow) {
  const by = after.start - before.start;
  return {
    how: signs[how],
    isSure: how === 'certain',
    from: before.timing === 'set' ? times.clock(before.start) : 'no time yet',
    to: times.clock(after.start),
    by: !moves || by === 0 ? 'stays' : `${seconds(Math.abs(by))} ${by < 0 ? 'earlier' : 'later'}`,
  };
}
const inSight = computed(() =>
  virtual.value.getVirtualItems().flatMap(({ index }) => {
    const row = props.rows[index];
    return row ? [{ row, index, ...shown(row) }] : [];
  }),
);
/** The room of what is out of sight, above and below. */
const room = computed(() => {
  const items = virtual.value.getVirtualItems();
  const below = virtual.value.getTotalSize() - (items.at(-1)?.end ?? 0);
  return { paddingTop: `${String(items[0]?.start ?? 0)}px`, paddingBottom: `${String(below)}px` };
});
const measure = (row: unknown): void => {
  if (row instanceof HTMLElement) virtual.value.measureElement(row);
};
watch(
  () => place.caption?.id,
  (id) => {
    const at = props.rows.findIndex((r) => r.before.id === id);
    if (at >= 0) virtual.value.scrollToIndex(at);
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
        :class="{ current: place.caption?.id === line.row.before.id }"
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
        <span class="cut" dir="auto">{{ line.row.before.text.replaceAll('\n', ' ') }}</span>
        <span class="figures small one-line by">{{ line.by }}</span>
        <span class="small" :class="line.isSure ? 'good' : 'uncertain'">{{ line.how }}</span>
        <TextButton small @click="$emit('hear', line.row)">Hear it</TextButton>
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
  grid-template-columns: 212px minmax(0, 1fr) 126px 138px auto;
  align-items: center;
  gap: 10px;
}
.placed-row.current {
  background: var(--reed-wash);
}
.ink {
  color: var(--ink);
}
.by {
  text-align: right;
}
.uncertain {
  color: var(--sun-text);
}
</style>

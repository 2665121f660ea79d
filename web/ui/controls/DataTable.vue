<script setup lang="ts" generic="Row extends object">
import Table from 'ant-design-vue/es/table';
import { computed } from 'vue';

/**
 * A table. The first column names the row; Ant gives it no such role. What stands in a cell comes from a slot of
 * the column's key, and what stands in a head from one called `head-` and the key.
 */
export interface Column {
  readonly key: string;
  readonly title: string;
  /** Figures stand at the right. */
  readonly figures?: boolean;
}
const props = defineProps<{
  columns: readonly Column[];
  rows: readonly Row[];
  keyOf: (row: Row) => string;
  classOf?: ((row: Row) => string) | undefined;
}>();
const shown = computed(() =>
  props.columns.map((column, i) => ({
    key: column.key,
    dataIndex: column.key,
    title: column.title,
    align: column.figures ? ('right' as const) : ('left' as const),
    className: column.figures ? 'figures' : '',
    customHeaderCell: () => ({ scope: 'col' }),
    customCell: () => (i === 0 ? { role: 'rowheader' } : {}),
  })),
);
</script>

<template>
  <Table
    :columns="shown"
    :data-source="rows as Row[]"
    :row-key="(row: unknown) => keyOf(row as Row)"
    :row-class-name="(row: unknown) => classOf?.(row as Row) ?? ''"
    :pagination="false"
    size="small"
    class="data-table"
  >
    <template #headerCell="{ column }"
      ><slot :name="`head-${column.key}`">{{ column.title }}</slot></template
    >
    <template #bodyCell="{ column, record }"><slot :name="column.key" :row="record as Row"></slot></template>
  </Table>
</template>

<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue';
import { styleFieldGroups, fields, type Field } from '../../../core/style/style-fields.ts';
import type { HouseStyle } from '../../../core/style/style.ts';
import FieldInput from './FieldInput.vue';
import FieldValue from './FieldValue.vue';
import StyleHead from './StyleHead.vue';
import UsedBy from './UsedBy.vue';
import type { StyleUse } from '../../../core/job/job.ts';
import Table from 'ant-design-vue/es/table';
import TextField from '../../ui/controls/TextField.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const props = defineProps<{
  styles: readonly HouseStyle[];
  own: ReadonlySet<string>;
  usesOf: (id: string) => readonly StyleUse[];
}>();
defineEmits<{
  edit: [style: HouseStyle];
  copy: [style: HouseStyle];
  export: [style: HouseStyle];
  remove: [style: HouseStyle];
  bringUp: [use: StyleUse];
  save: [];
}>();
/** The style that is being edited, as it is so far. */
const draft = defineModel<HouseStyle | null>('draft', { required: true });
const name = useTemplateRef<InstanceType<typeof TextField>[]>('name');
const columns = computed(() => props.styles.map((s) => (s.id === draft.value?.id ? draft.value : s)));
/** A group, a field of it, or who uses the styles. */
interface Row {
  readonly key: string;
  readonly title: string;
  readonly field: Field | null;
  readonly uses: boolean;
}
const rows: Row[] = [
  ...styleFieldGroups.flatMap((group): Row[] => [
    { key: group, title: group, field: null, uses: false },
    ...fields
      .filter((f) => f.group === group)
      .map((field) => ({ key: field.path, title: field.title, field, uses: false })),
  ]),
  { key: 'jobs', title: 'Jobs', field: null, uses: false },
  { key: 'used by', title: 'Used by', field: null, uses: true },
];
const fieldOf = (row: unknown): Field | null => (row as Row).field;
const tableColumns = computed(() => [
  { key: 'field', title: 'Field', customCell: () => ({ role: 'rowheader' }) },
  ...columns.value.map((style) => ({
    key: style.id,
    title: style.name,
    className: isDraft(style) ? 'edited' : '',
    customHeaderCell: () => ({ scope: 'col' }),
  })),
]);
const isDraft = (style: HouseStyle): boolean => draft.value === style;
function rename(text: string): void {
  if (draft.value) draft.value = { ...draft.value, name: text };
}
watch(
  () => draft.value?.id,
  async (id, before) => {
    await nextTick();
    // The keyboard goes back to the style that was edited.
    if (id === undefined) {
      document.querySelector<HTMLElement>(`[data-style="${CSS.escape(before ?? '')}"] button`)?.focus();
      return;
    }
    name.value?.[0]?.select();
    document.querySelector('.style-table th.edited')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  },
);
</script>

<template>
  <Table
    class="style-table data-table small"
    size="small"
    :columns="tableColumns"
    :data-source="rows"
    :row-class-name="(row: unknown) => ((row as Row).field || (row as Row).uses ? '' : 'group')"
    row-key="key"
    :pagination="false"
  >
    <template #headerCell="{ column }">
      <span v-if="column.key === 'field'" class="visually-hidden">Field</span>
      <template v-for="style in columns" :key="style.id">
        <template v-if="style.id === column.key">
          <form v-if="isDraft(style)" class="stack" @submit.prevent="$emit('save')">
            <TextField
              ref="name"
              small
              label="Name of the house style"
              :maxlength="120"
              :model-value="style.name"
              @update:model-value="rename"
            />
            <span class="row">
              <TextButton main submit>Save</TextButton>
              <TextButton @click="draft = null">Cancel</TextButton>
            </span>
          </form>
          <StyleHead
            v-else
            :house="style"
            :own="own.has(style.id)"
            :busy="draft !== null"
            @edit="$emit('edit', style)"
            @copy="$emit('copy', style)"
            @export="$emit('export', style)"
            @remove="$emit('remove', style)"
          />
        </template>
      </template>
    </template>
    <template #bodyCell="{ column, record }">
      <span v-if="column.key === 'field'">{{ (record as Row).title }}</span>
      <template v-for="style in columns" v-else :key="style.id">
        <template v-if="style.id === column.key">
          <UsedBy v-if="(record as Row).uses" :uses="usesOf(style.id)" @bring-up="$emit('bringUp', $event)" />
          <FieldInput
            v-else-if="fieldOf(record) && isDraft(style)"
            :field="fieldOf(record) as Field"
            :model-value="style"
            @update:model-value="draft = $event"
          />
          <FieldValue v-else-if="fieldOf(record)" :house="style" :field="fieldOf(record) as Field" />
        </template>
      </template>
    </template>
  </Table>
</template>

<style scoped>
.style-table :deep(td.ant-table-cell) {
  min-width: 190px;
  max-width: 230px;
  padding: 4px 14px 4px 12px;
  vertical-align: top;
}
.style-table :deep(thead th) {
  position: sticky;
  top: 0;
  z-index: 2;
  padding: 10px 14px 10px 12px;
  background: var(--ground) !important;
  color: var(--ink) !important;
  vertical-align: top;
}
.style-table :deep(:is(th, td).ant-table-cell:first-child) {
  position: sticky;
  left: 0;
  z-index: 1;
  min-width: 230px;
  padding-left: 24px;
  background: var(--ground);
}
.style-table :deep(thead th.ant-table-cell:first-child) {
  z-index: 3;
}
.style-table :deep(.group td) {
  padding-top: 14px;
  color: var(--soft);
}
.style-table :deep(:is(th, td).ant-table-cell.edited) {
  min-width: 330px;
  max-width: 330px;
  background: var(--sheet);
}
.style-table :deep(.ant-table),
.style-table :deep(.ant-table-content) {
  background: none;
  overflow: visible !important;
}
</style>

<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue';
import { fieldGroups, fields, type Field } from '../../core/style/style-fields.ts';
import type { HouseStyle } from '../../core/style/style.ts';
import FieldInput from './FieldInput.vue';
import FieldValue from './FieldValue.vue';
import StyleHead from './StyleHead.vue';
import UsedBy from './UsedBy.vue';
import type { StyleUse } from '../../core/job/job.ts';

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
const name = useTemplateRef<HTMLInputElement[]>('name');
const inGroup = (group: (typeof fieldGroups)[number]): readonly Field[] => fields.filter((f) => f.group === group);
const columns = computed(() => props.styles.map((s) => (s.id === draft.value?.id ? draft.value : s)));
const isDraft = (style: HouseStyle): boolean => draft.value === style;
function rename(text: string): void {
  if (draft.value) draft.value = { ...draft.value, name: text };
}
watch(
  () => draft.value?.id,
  async (id) => {
    if (id === undefined) return;
    await nextTick();
    const [input] = name.value ?? [];
    input?.select();
    input?.closest('th')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  },
);
</script>

<template>
  <table class="style-table">
    <thead>
      <tr>
        <th scope="col"><span class="visually-hidden">Field</span></th>
        <th v-for="style in columns" :key="style.id" scope="col" :class="{ edited: isDraft(style) }">
          <form v-if="isDraft(style)" class="style-edit" @submit.prevent="$emit('save')">
            <input
              ref="name"
              class="text-input"
              aria-label="Name of the house style"
              maxlength="120"
              :value="style.name"
              @input="rename(($event.target as HTMLInputElement).value)"
            />
            <span>
              <button type="submit" class="plain-button main">Keep</button>
              <button type="button" class="plain-button" @click="draft = null">Leave as it was</button>
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
        </th>
      </tr>
    </thead>
    <tbody v-for="group in fieldGroups" :key="group">
      <tr class="group">
        <th :colspan="columns.length + 1" scope="rowgroup">
          <span>{{ group }}</span>
        </th>
      </tr>
      <tr v-for="field in inGroup(group)" :key="field.path">
        <th scope="row">{{ field.title }}</th>
        <td v-for="style in columns" :key="style.id" :class="{ edited: isDraft(style) }">
          <FieldInput v-if="isDraft(style)" :field="field" :model-value="style" @update:model-value="draft = $event" />
          <FieldValue v-else :house="style" :field="field" />
        </td>
      </tr>
    </tbody>
    <tbody>
      <tr class="group">
        <th :colspan="columns.length + 1" scope="rowgroup"><span>Jobs</span></th>
      </tr>
      <tr>
        <th scope="row">Used by</th>
        <td v-for="style in columns" :key="style.id" :class="{ edited: isDraft(style) }">
          <UsedBy :uses="usesOf(style.id)" @bring-up="$emit('bringUp', $event)" />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.style-table {
  border-collapse: separate;
  border-spacing: 0;
  font-size: 14px;
}
th {
  text-align: left;
  font-weight: 400;
}
td,
tbody th {
  padding: 4px 14px 4px 12px;
  border-bottom: 1px solid var(--rule);
  vertical-align: top;
}
td {
  min-width: 190px;
  max-width: 230px;
}
thead th {
  position: sticky;
  top: 0;
  z-index: 2;
  padding: 10px 14px 10px 12px;
  border-bottom: 1px solid var(--rule);
  background: var(--ground);
  vertical-align: top;
}
th:first-child {
  position: sticky;
  left: 0;
  z-index: 1;
  min-width: 230px;
  padding-left: 24px;
  background: var(--ground);
}
thead th:first-child {
  z-index: 3;
}
.group th {
  padding: 14px 12px 2px 24px;
  color: var(--soft);
}
/* The name of a group stays in sight while the styles are scrolled past it. */
.group span {
  position: sticky;
  left: 24px;
}
td.edited,
th.edited {
  min-width: 330px;
  max-width: 330px;
  background: var(--sheet);
}
.style-edit {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.style-edit span {
  display: flex;
  gap: 6px;
}
</style>

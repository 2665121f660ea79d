<script setup lang="ts" generic="T extends string | number">
import Select from 'ant-design-vue/es/select';
import { computed, ref, useTemplateRef } from 'vue';
import { useList } from './use-list.ts';

/**
 * One of a list, which opens and is narrowed by typing.
 *
 * Ant's select has no name for ears, a hidden list of three that stands for the visible one, and pointers to nothing
 * while it is closed; Escape goes on to the dialog around it, and a chord opens it. `listbox.ts` puts the roles right
 * whenever Ant has drawn; keys are held back here.
 */
export interface Choice<V> {
  readonly value: V;
  readonly title: string;
}
const props = withDefaults(
  defineProps<{
    label: string;
    /** Of the input, where a label points at it. */
    id?: string | undefined;
    options: readonly Choice<T>[];
    /** What is found by typing, where that is more than the options. */
    search?: ((typed: string) => readonly Choice<T>[]) | undefined;
    /** In px; as wide as what is chosen where it is left out. */
    width?: number | undefined;
    large?: boolean;
    /** Without the sign that it opens, where room is short. */
    bare?: boolean;
  }>(),
  { width: undefined, id: undefined, search: undefined },
);
const value = defineModel<T | null>({ required: true });
/** More are never drawn at once; typing narrows them. */
const most = 100;

const wanted = ref('');
const root = useTemplateRef<HTMLElement>('root');
const { open, popupClass, setOpen, onKey } = useList(root, {
  label: () => props.label,
  closed: () => (wanted.value = ''),
});
const found = computed(() => {
  const part = wanted.value.trim().toLowerCase();
  if (part !== '' && props.search) return props.search(wanted.value);
  return part === '' ? props.options : props.options.filter((o) => o.title.toLowerCase().includes(part));
});
const shown = computed(() => [
  ...found.value.slice(0, most).map((o) => ({ value: o.value, label: o.title })),
  ...(found.value.length > most
    ? [{ value: '', label: `${String(found.value.length - most)} more: type a part of the name`, disabled: true }]
    : []),
]);
/** What is chosen stays readable while the list is narrowed to others. */
const chosen = computed(() => {
  const option = props.options.find((o) => o.value === value.value);
  return option ? { value: option.value, label: option.title } : undefined;
});

function choose(option: { readonly value: T }): void {
  value.value = option.value;
  setOpen(false);
}
</script>

<template>
  <span ref="root" class="select-field" @keydown.capture="onKey">
    <Select
      v-bind="id ? { id } : {}"
      :value="chosen"
      label-in-value
      :options="shown"
      :open="open"
      :size="large ? 'middle' : 'small'"
      :virtual="false"
      :show-arrow="!bare"
      :dropdown-match-select-width="false"
      :popup-class-name="popupClass"
      show-search
      :filter-option="false"
      :style="width === undefined ? {} : { width: `${width}px` }"
      @search="(part: string) => (wanted = part)"
      @dropdown-visible-change="setOpen"
      @change="(option: unknown) => choose(option as { value: T })"
    >
      <template #notFoundContent>No match.</template>
    </Select>
  </span>
</template>

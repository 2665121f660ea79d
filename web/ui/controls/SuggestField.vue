<script setup lang="ts">
import AutoComplete from 'ant-design-vue/es/auto-complete';
import { computed, useTemplateRef } from 'vue';
import { useList } from './use-list.ts';

/**
 * A line of text, with what was written there before to choose from. Ant's has the faults of its select, repaired in the
 * same way, and shows everything whatever is typed unless it is told to narrow it.
 */
defineOptions({ inheritAttrs: false });
const props = defineProps<{ label: string; options: readonly string[]; id?: string }>();
const value = defineModel<string>({ required: true });
/** More are never drawn at once; typing narrows them. */
const most = 100;

const root = useTemplateRef<HTMLElement>('root');
const shown = computed(() => {
  const part = value.value.trim().toLowerCase();
  const found = props.options.filter((o) => o.toLowerCase().includes(part) && o !== value.value);
  return found.slice(0, most).map((o) => ({ value: o }));
});
const { open, popupClass, setOpen, onKey } = useList(root, {
  label: () => props.label,
  hasEntries: () => shown.value.length > 0,
});
</script>

<template>
  <span ref="root" class="suggest-field" dir="auto" @keydown.capture="onKey">
    <AutoComplete
      v-model:value="value"
      v-bind="{ ...$attrs, ...(id ? { id } : {}) }"
      :options="shown"
      :open="open"
      :default-active-first-option="false"
      :virtual="false"
      :popup-class-name="popupClass"
      @dropdown-visible-change="setOpen"
      @select="setOpen(false)"
    />
  </span>
</template>

<script setup lang="ts" generic="T extends string | number">
import Select from 'ant-design-vue/es/select';
import { computed, nextTick, onBeforeUnmount, onMounted, ref, useId, useTemplateRef } from 'vue';
import { nameList, nameOptions } from './listbox.ts';

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
    options: readonly Choice<T>[];
    /** In px; as wide as what is chosen where it is left out. */
    width?: number | undefined;
    large?: boolean;
    /** Without the sign that it opens, where room is short. */
    bare?: boolean;
  }>(),
  { width: undefined },
);
const value = defineModel<T | null>({ required: true });
/** More are never drawn at once; typing narrows them. */
const most = 100;

const open = ref(false);
const wanted = ref('');
const id = useId();
const root = useTemplateRef<HTMLElement>('root');
const found = computed(() => {
  const part = wanted.value.trim().toLowerCase();
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

const popup = (): HTMLElement | null => document.querySelector(`.list-of-${CSS.escape(id)}`);
function name(): void {
  const input = root.value?.querySelector('input');
  if (!input) return;
  const list = open.value ? popup() : null;
  nameList(input, list, { id: `${id}-list`, label: props.label });
  if (list) nameOptions(list, `${id}-option`);
}
const watcher = new MutationObserver(name);
function watchDrawn(): void {
  watcher.disconnect();
  const seen: MutationObserverInit = { subtree: true, childList: true, attributes: true };
  if (root.value) watcher.observe(root.value, seen);
  const list = popup();
  if (list) watcher.observe(list, seen);
  name();
}
onMounted(watchDrawn);
onBeforeUnmount(() => {
  watcher.disconnect();
});

function onOpen(now: boolean): void {
  open.value = now;
  if (!now) wanted.value = '';
  // The list is put into the page a moment after it is asked for.
  void nextTick(() => requestAnimationFrame(watchDrawn));
}
function onKey(event: KeyboardEvent): void {
  const isChord = event.ctrlKey || event.metaKey || event.altKey;
  if (event.key === 'Escape' && open.value) {
    onOpen(false);
    event.preventDefault();
  } else if (!isChord) return;
  event.stopPropagation();
}
function choose(option: { readonly value: T }): void {
  value.value = option.value;
  onOpen(false);
}
</script>

<template>
  <span ref="root" class="select-field" @keydown.capture="onKey">
    <Select
      :value="chosen"
      label-in-value
      :options="shown"
      :open="open"
      :size="large ? 'middle' : 'small'"
      :virtual="false"
      :show-arrow="!bare"
      :dropdown-match-select-width="false"
      :popup-class-name="`list-of-${id}`"
      show-search
      :filter-option="false"
      :style="width === undefined ? {} : { width: `${width}px` }"
      @search="(part: string) => (wanted = part)"
      @dropdown-visible-change="onOpen"
      @change="(option: unknown) => choose(option as { value: T })"
    >
      <template #notFoundContent>Nothing is called that.</template>
    </Select>
  </span>
</template>

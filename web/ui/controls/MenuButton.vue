<script setup lang="ts">
import Button from 'ant-design-vue/es/button';
import Dropdown from 'ant-design-vue/es/dropdown';
import Menu, { MenuDivider, MenuItem } from 'ant-design-vue/es/menu';
import { computed, ref, useTemplateRef } from 'vue';

/**
 * A button that opens a menu. Ant's menu has no arrows, no Home, no End, no letters and no Escape, and the
 * keyboard never enters it: all of that is done here.
 */
export interface MenuEntry {
  readonly key: string;
  readonly title: string;
  /** What is said of it, quieter. */
  readonly detail?: string;
  readonly disabled?: boolean;
  /** A line above it. */
  readonly apart?: boolean;
}
const props = defineProps<{
  entries: readonly MenuEntry[];
  /** The key of the one that holds now. */
  selected?: string | undefined;
  /** What the button is called by ear, where that is not what stands on it. */
  label?: string | undefined;
  /** What the menu is called, where that is not the name of the button. */
  menuName?: string | undefined;
  onHeader?: boolean;
  /** It opens under the pointer too, so that what it offers is one click away. */
  hover?: boolean;
}>();
const emit = defineEmits<{ select: [key: string] }>();
/** Entries and the lines between them, each with a key of its own, by which Ant knows them. */
const parts = computed(() =>
  props.entries.flatMap((entry): (MenuEntry & { readonly line?: true })[] =>
    entry.apart ? [{ key: `line above ${entry.key}`, title: '', line: true }, entry] : [entry],
  ),
);
/** So many frames are waited for the menu to be there. */
const patience = 30;
const open = ref(false);
const menu = useTemplateRef<HTMLElement>('menu');
const root = useTemplateRef<HTMLElement>('root');

const items = (): HTMLElement[] => [
  ...(menu.value?.querySelectorAll<HTMLElement>('[role=menuitem]:not([aria-disabled=true])') ?? []),
];
const button = (): HTMLElement | null => root.value?.querySelector('button') ?? null;

async function enter(at: 'selected' | 'last'): Promise<void> {
  open.value = true;
  // The menu is put into the page some moments after it is asked for, and is shown a moment after that.
  for (let frame = 0; frame < patience && !menu.value?.contains(document.activeElement); frame++) {
    await new Promise(requestAnimationFrame);
    const all = items();
    const chosen = all.find((item) => item.classList.contains('ant-dropdown-menu-item-selected'));
    (at === 'last' ? all.at(-1) : (chosen ?? all[0]))?.focus();
  }
}
function leave(): void {
  open.value = false;
  button()?.focus();
}
function onButtonKey(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    void enter(event.key === 'ArrowUp' ? 'last' : 'selected');
    event.preventDefault();
  } else if (event.key === 'Escape' && open.value) {
    leave();
    event.stopPropagation();
  }
}
function onMenuKey(event: KeyboardEvent): void {
  const all = items();
  const at = all.indexOf(document.activeElement as HTMLElement);
  const go = (to: number): void => all[(to + all.length) % all.length]?.focus();
  if (event.key === 'ArrowDown') go(at + 1);
  else if (event.key === 'ArrowUp') go(at < 0 ? -1 : at - 1);
  else if (event.key === 'Home') go(0);
  else if (event.key === 'End') go(-1);
  else if (event.key === 'Escape') leave();
  else if (event.key === 'Tab') {
    // The keyboard goes on from the button.
    leave();
    return;
  } else if (event.key === 'Enter' || event.key === ' ') all[at]?.click();
  else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
    const letter = event.key.toLowerCase();
    const after = [...all.slice(at + 1), ...all.slice(0, at + 1)];
    after.find((item) => item.innerText.trim().toLowerCase().startsWith(letter))?.focus();
  } else return;
  event.preventDefault();
  event.stopPropagation();
}
function onOpen(now: boolean): void {
  if (now && !props.hover) void enter('selected');
  else open.value = now;
}
function onFocusOut({ relatedTarget: to }: FocusEvent): void {
  if (to instanceof Node && !menu.value?.contains(to) && !root.value?.contains(to)) open.value = false;
}
function choose(key: string): void {
  leave();
  emit('select', key);
}
</script>

<template>
  <span ref="root" class="menu-button">
    <Dropdown :open="open" :trigger="[hover ? 'hover' : 'click']" :mouse-enter-delay="0.1" @open-change="onOpen">
      <Button
        size="small"
        :ghost="onHeader"
        aria-haspopup="menu"
        :aria-expanded="open"
        :aria-label="label"
        @keydown="onButtonKey"
        @click="hover && enter('selected')"
        ><slot></slot
      ></Button>
      <template #overlay>
        <div ref="menu" class="menu-sheet" @keydown.capture="onMenuKey" @focusout="onFocusOut">
          <Menu :selected-keys="selected === undefined ? [] : [selected]" :aria-label="menuName ?? label">
            <component
              :is="entry.line ? MenuDivider : MenuItem"
              v-for="entry in parts"
              :key="entry.key"
              :role="entry.line ? 'separator' : undefined"
              :disabled="entry.disabled ?? false"
              @click="!entry.line && choose(entry.key)"
            >
              <span class="strong">{{ entry.title }}</span><span v-if="entry.detail" class="menu-detail soft">{{
                entry.detail
              }}</span>
            </component>
          </Menu>
        </div>
      </template>
    </Dropdown>
  </span>
</template>

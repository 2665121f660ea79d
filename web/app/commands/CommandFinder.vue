<script setup lang="ts">
import TextField from '../../ui/controls/TextField.vue';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import type { Command } from '../../ui/commands/command.ts';
import { useCommandList } from '../../data/commands/command-list.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { keyLabel } from '../../ui/commands/keyboard.ts';
import { commandSearch } from '../../ui/commands/search.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';

const list = useCommandList();
const dialogs = useDialogs();
const preferences = usePreferences();
const open = defineModel<boolean>('open', { required: true });
const wanted = ref('');
const chosen = ref(0);
const input = useTemplateRef<InstanceType<typeof TextField>>('input');
const search = computed(() => commandSearch(list.all, preferences.recentCommands));
const found = computed(() => search.value(wanted.value));

watch(
  open,
  (now) => {
    if (!now) return;
    wanted.value = '';
    void nextTick(() =>
      setTimeout(() => {
        input.value?.focus();
        const { ahead } = dialogs;
        dialogs.ahead = null;
        for (const key of ahead ?? []) press(key);
      }),
    );
  },
  { immediate: true },
);
watch(wanted, () => (chosen.value = 0));

/** Run once the dialog is gone: until then it may take the keyboard from whatever the command gives it to. */
let chosenCommand: Command | null = null;
function run(command: Command | undefined): void {
  if (!command) return;
  chosenCommand = command;
  const { recentCommands: before } = preferences;
  preferences.recentCommands = [command.id, ...before.filter((id) => id !== command.id)];
  open.value = false;
}
function whenGone(): void {
  const command = chosenCommand;
  chosenCommand = null;
  if (command) list.runThis(command);
}
/** @returns whether the key does anything here */
function go(key: string): boolean {
  const by = key === 'ArrowDown' ? 1 : key === 'ArrowUp' ? -1 : 0;
  if (key === 'Enter') run(found.value[chosen.value]);
  else if (by !== 0) chosen.value = (chosen.value + by + found.value.length) % Math.max(1, found.value.length);
  return key === 'Enter' || by !== 0;
}
/** Why a command that is listed cannot be done now. */
const whyNot = (command: Command): string | null => command.whyNot?.() ?? null;
function onKey(event: KeyboardEvent): void {
  if (go(event.key)) event.preventDefault();
}
/** A key that was pressed before the field was there. */
function press(key: string): void {
  if (key.length === 1) wanted.value += key;
  else if (key === 'Backspace') wanted.value = wanted.value.slice(0, -1);
  else go(key);
}
</script>

<template>
  <DialogSheet
    v-model:open="open"
    :footer="null"
    :closable="false"
    :after-close="whenGone"
    title="Find a command"
    :width="520"
  >
    <TextField
      ref="input"
      v-model="wanted"
      class="finder-input"
      role="combobox"
      aria-expanded="true"
      aria-controls="finder-list"
      :aria-activedescendant="`finder-${chosen}`"
      label="Part of the command’s name, or another word for it"
      placeholder="Part of its name, or another word for it"
      @keydown="onKey"
    />
    <ul id="finder-list" class="finder-list below dialog-list plain-list" role="listbox" aria-label="Commands">
      <li
        v-for="(command, i) in found"
        :id="`finder-${i}`"
        :key="command.id"
        class="row between"
        role="option"
        :aria-selected="i === chosen"
        @click="run(command)"
        @pointerenter="chosen = i"
      >
        <span>
          {{ command.title }}
          <small v-if="whyNot(command)" class="soft block">{{ whyNot(command) }}</small>
        </span>
        <kbd v-if="command.keys[0]">{{ keyLabel(command.keys[0]) }}</kbd>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft">No command is called anything like this.</p>
  </DialogSheet>
</template>

<style scoped>
.finder-list li {
  padding: 6px 10px;
  border-radius: 4px;
  cursor: pointer;
}
.finder-list li[aria-selected='true'] {
  background: var(--reed-wash);
}
</style>

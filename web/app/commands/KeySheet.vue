<script setup lang="ts">
import NoteBox from '../../ui/controls/NoteBox.vue';
import SelectField from '../../ui/controls/SelectField.vue';
import CheckField from '../../ui/controls/CheckField.vue';
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { keyLabel, keyOf } from '../../ui/commands/keyboard.ts';
import { useCommandList } from '../../data/commands/command-list.ts';
import { clash, given, unfit } from '../../ui/commands/keys.ts';
import { isMac } from '../../ui/commands/platform.ts';
import { sections } from '../../ui/commands/command.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const list = useCommandList();
const open = defineModel<boolean>('open', { required: true });
const preferences = usePreferences();

/** The commands with the keys they have now, in sections. */
const listed = computed(() =>
  sections.map((title) => ({ title, commands: list.all.filter(({ section }) => section === title) })),
);

/** The command that waits for a key. */
const waiting = ref<string | null>(null);
/** A key that another command has, until somebody says whose it is to be. */
const asked = ref<{ readonly id: string; readonly key: string; readonly other: string } | null>(null);
const fault = ref<string | null>(null);

function onKey(event: KeyboardEvent): void {
  const id = waiting.value;
  if (id === null) return;
  const key = keyOf(event, isMac);
  if (key === null) return;
  event.preventDefault();
  event.stopPropagation();
  if (key === 'Escape') {
    waiting.value = null;
    return;
  }
  fault.value = unfit(key, isMac);
  if (fault.value !== null) return;
  waiting.value = null;
  const other = clash(list.all, id, key);
  if (other) asked.value = { id, key, other: other.title };
  else preferences.keys = given(list.all, preferences.keys, id, key);
}
/** The button that was pressed goes; the keyboard stays in the row. */
function stayAt(id: string): void {
  void nextTick(() => document.getElementById(`key-of-${id}`)?.focus());
}
function giveOver(): void {
  if (!asked.value) return;
  preferences.keys = given(list.all, preferences.keys, asked.value.id, asked.value.key);
  stayAt(asked.value.id);
  asked.value = null;
}
function leave(): void {
  if (asked.value) stayAt(asked.value.id);
  asked.value = null;
}
function wait(id: string): void {
  asked.value = null;
  fault.value = null;
  waiting.value = id;
}
function back(id: string): void {
  preferences.keys = Object.fromEntries(Object.entries(preferences.keys).filter(([other]) => other !== id));
  stayAt(id);
}
watch(
  open,
  (now) => {
    waiting.value = null;
    asked.value = null;
    fault.value = null;
    if (now) addEventListener('keydown', onKey, true);
    else removeEventListener('keydown', onKey, true);
  },
  { immediate: true },
);
onBeforeUnmount(() => removeEventListener('keydown', onKey, true));

const steps = [500, 1000, 2000, 3000, 5000, 10_000].map((ms) => ({ value: ms, title: `${String(ms / 1000)} s` }));
const spans = [500, 1000, 1500, 2000, 3000].map((ms) => ({ value: ms, title: `${String(ms / 1000)} s` }));
const inSeconds = (...all: readonly number[]) =>
  all.map((ms) => ({ value: ms, title: ms === 0 ? 'one picture' : `${String(ms / 1000)} s` }));
const edgeSteps = [
  ['alone', 'Up and Down move a chosen edge by', inSeconds(0, 10, 20, 50)],
  ['shift', 'with Shift by', inSeconds(50, 100, 200, 250)],
  ['ctrl', 'with Ctrl by', inSeconds(500, 1000, 2000, 5000)],
] as const;
const reactions = [0, 100, 150, 200, 300].map((ms) => ({ value: ms, title: `${String(ms / 1000)} s` }));
const doubts = [0.1, 0.25, 0.4, 0.55, 0.7, 0.85].map((part) => ({
  value: part,
  title: `${String(Math.round(part * 100))} %`,
}));
const ways = [
  ['hearsDoubt', 'Play a doubtful word when you move to it'],
  ['pictureFollows', 'Paused, the picture shows the caption you choose'],
  ['holdWhileTyping', 'Hold playback for typing'],
  ['edgeClick', 'A soft click at the edge that is heard'],
  ['singleKeys', 'On the tape, letters alone are commands'],
  ['capitals', 'Capital letter after the end of a sentence, as you type'],
  ['showsNumbers', 'Captions with their numbers, in Words, Tape and Checks'],
  ['keepsProof', 'A proofed caption stays proofed when it is changed'],
] as const;
</script>

<template>
  <DialogSheet v-model:open="open" title="Keys and ways of working" :width="640" :footer="null">
    <div class="ways">
      <span>One step back or ahead</span>
      <SelectField v-model="preferences.step" label="One step back or ahead" :options="steps" />
      <span>Times marked during playback are moved earlier by</span>
      <SelectField
        v-model="preferences.reaction"
        label="Times marked during playback are moved earlier by"
        :options="reactions"
      />
      <span>Sound played on each side of an edge</span>
      <SelectField v-model="preferences.edgeSpan" label="Sound played on each side of an edge" :options="spans" />
      <template v-for="[key, words, options] in edgeSteps" :key="key">
        <span>{{ words }}</span>
        <SelectField
          :model-value="preferences.edgeSteps[key]"
          :label="words"
          :options="options"
          @update:model-value="(ms) => ms !== null && (preferences.edgeSteps = { ...preferences.edgeSteps, [key]: ms })"
        />
      </template>
      <span>A word is doubtful below a certainty of</span>
      <SelectField v-model="preferences.doubtBelow" label="A word is doubtful below a certainty of" :options="doubts" />
      <CheckField v-for="[key, words] in ways" :key="key" v-model="preferences[key]">{{ words }}</CheckField>
    </div>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <NoteBox v-if="asked" role="alert">
      {{ keyLabel(asked.key) }} is the key of “{{ asked.other }}”.
      <template #actions>
        <TextButton main @click="giveOver()">Use it here</TextButton>
        <TextButton @click="leave()">Cancel</TextButton>
      </template>
    </NoteBox>
    <div class="keys dialog-list" tabindex="0" role="group" aria-label="Every command and its keys">
      <template v-for="section in listed" :key="section.title">
        <h3 class="small soft">{{ section.title }}</h3>
        <ul class="plain-list">
          <li v-for="command in section.commands" :key="command.id" class="line-row">
            <span>{{ command.title }}</span>
            <span v-if="waiting === command.id" class="going strong" role="status">Press the key, or Escape</span>
            <span v-else class="row wide">
              <kbd v-for="key in command.keys" :key="key">{{ keyLabel(key) }}</kbd>
            </span>
            <TextButton
              v-if="preferences.keys[command.id]"
              :aria-label="`Reset the key of ${command.title}`"
              @click="back(command.id)"
            >
              Reset
            </TextButton>
            <TextButton
              :id="`key-of-${command.id}`"
              :aria-label="`Change the key of ${command.title}`"
              @click="wait(command.id)"
            >
              Change
            </TextButton>
          </li>
        </ul>
      </template>
    </div>
  </DialogSheet>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: 1fr max-content;
  gap: 6px 16px;
  align-items: center;
  margin-bottom: 12px;
}
.ways .ant-checkbox-wrapper {
  grid-column: 1 / -1;
}
h3 {
  padding: 8px 2px 4px;
}
.line-row {
  display: grid;
  grid-template-columns: 1fr max-content max-content max-content;
  gap: 10px;
  align-items: center;
}
</style>

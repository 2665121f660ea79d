<script setup lang="ts">
import { shallowRef } from 'vue';
import NoteBox from '../../ui/controls/NoteBox.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { saveAs } from '../../import/save-as.ts';
import { setAsideFile, wordsOfAll } from '../../import/set-aside-file.ts';
import { useLeftChanges } from '../../data/tracks/left-changes.ts';
import type { LeftChanges } from '../../data/sync/left-edits.ts';

/** What was typed and has no track to be shown in: it is nowhere else, so it is told here until somebody says what becomes of it. */
const left = useLeftChanges();
/** To be discarded, once that is said a second time. */
const asked = shallowRef<LeftChanges | null>(null);

/** What it is, by its words, so that one knows which they were; by how many changes, where they hold none. */
function about({ edits }: LeftChanges): string {
  const words = wordsOfAll(edits).join(' ').replace(/\s+/g, ' ').trim();
  if (words !== '') return `What was typed, “${words.length > 60 ? `${words.slice(0, 60)}…` : words}”, is`;
  return edits.length === 1 ? 'One change is' : `${String(edits.length)} changes are`;
}
const save = (item: LeftChanges): void => saveAs(setAsideFile(item), 'changes-not-saved.json', 'application/json');
function discard(item: LeftChanges): void {
  if (asked.value === item) void left.drop(item);
  else asked.value = item;
}
</script>

<template>
  <div class="left-changes stack">
    <NoteBox v-for="item in left.items" :key="item.id" tone="bad">
      {{ about(item) }} in this browser only: {{ item.reason }}
      <template #actions>
        <TextButton @click="save(item)">Save as a file</TextButton>
        <TextButton @click="discard(item)">{{ asked === item ? 'Discard for good' : 'Discard' }}</TextButton>
      </template>
    </NoteBox>
  </div>
</template>

<style scoped>
.left-changes {
  margin-bottom: 16px;
}
.left-changes :deep(.ant-alert-action) {
  margin-inline-start: 16px;
}
</style>

<script setup lang="ts">
import NoteBox from '../../ui/controls/NoteBox.vue';
import { computed, ref } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import { saveAs } from '../../import/save-as.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import type { SetAside } from '../../data/sync/outbox.ts';
import { setAsideFile, trackFileOf } from '../../import/set-aside-file.ts';
import TextButton from '../../ui/controls/TextButton.vue';

const track = useTrack();
const messages = useMessages();
const job = useJob();
const busy = ref(false);

const many = (n: number, one: string): string => `${String(n)} ${one}${n === 1 ? '' : 's'}`;
const first = computed((): SetAside | null => track.asides[0] ?? null);

function save(aside: SetAside): void {
  saveAs(setAsideFile(aside), 'changes-set-aside.json', 'application/json');
}
async function tryAgain(aside: SetAside): Promise<void> {
  const why = await track.tryAside(aside.id);
  if (why) messages.notice = `They still cannot be saved: ${why} They stay set aside.`;
}

function saveTrack(): void {
  if (!track.track) return;
  saveAs(trackFileOf(track.track, track.captions), 'captions-of-this-page.json', 'application/json');
}
async function keepApart(): Promise<void> {
  if (!job.job) return;
  busy.value = true;
  try {
    await track.keepApart(job.job.id);
    await job.refresh();
    messages.notice =
      'What this page had is a track of its own now, in Tracks. Shown here is the track as the server has it.';
  } catch (error) {
    messages.notice = `Nothing was changed: ${sentence(error)}`;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <NoteBox v-if="track.savedState === 'other history'" tone="bad">
    The server has another history of this track: its data folder was put back to another state. What this page shows is
    safe in this browser, and nothing of it is sent.
    <template #actions>
      <TextButton :disabled="busy" @click="keepApart"> Save it as a track of its own </TextButton>
      <TextButton @click="saveTrack">Save as a file</TextButton>
    </template>
  </NoteBox>
  <NoteBox v-else-if="track.savedState === 'track missing'" tone="bad">
    The server does not have this track any more: it may have been deleted, or its job. What this page shows is nowhere
    else; save it as a file before you leave the page.
    <template #actions>
      <TextButton @click="saveTrack">Save as a file</TextButton>
    </template>
  </NoteBox>
  <NoteBox v-else-if="track.holdUp">
    {{ track.holdUp.message }} What was typed is safe in this browser, and is sent again by itself.
  </NoteBox>
  <NoteBox v-else-if="first" tone="bad">
    {{ many(first.edits.length, 'change') }} could not be saved and {{ first.edits.length === 1 ? 'is' : 'are' }} set
    aside: {{ first.reason }} The track is shown without {{ first.edits.length === 1 ? 'it' : 'them' }}.
    <template #actions>
      <TextButton @click="save(first)">Save as a file</TextButton>
      <TextButton @click="tryAgain(first)">Try again</TextButton>
      <TextButton @click="track.dropAside(first.id)">Discard</TextButton>
    </template>
  </NoteBox>
</template>

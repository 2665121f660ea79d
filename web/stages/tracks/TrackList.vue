<script setup lang="ts">
import { Ellipsis } from '@lucide/vue';
import { nextTick, ref } from 'vue';
import { trackNameFault } from '../../../core/contract/title.ts';
import type { TrackSummary } from '../../../core/job/job.ts';
import { languageName } from '../../ui/describe/jobs.ts';
import { kindNames } from '../../ui/describe/tracks.ts';
import DataTable from '../../ui/controls/DataTable.vue';
import MenuButton from '../../ui/controls/MenuButton.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import TextField from '../../ui/controls/TextField.vue';

const props = defineProps<{
  tracks: readonly TrackSummary[];
  /** Id of the track the stages work on. */
  open: string;
  /** Edit number of the open track, newer than the list's. */
  edit: number;
  /** Id of the track that is shown beside it. */
  beside: string | null;
}>();
const emit = defineEmits<{
  open: [id: string];
  rename: [id: string, name: string];
  copy: [id: string];
  about: [track: TrackSummary];
  versions: [track: TrackSummary];
  beside: [id: string | null];
  remove: [track: TrackSummary];
}>();
/** The track that is being given another name, and the name as it is typed. */
const renaming = ref<string | null>(null);
const typed = ref('');
function rename(t: TrackSummary): void {
  [renaming.value, typed.value] = [t.id, t.name];
  void nextTick(() => document.getElementById('track-name')?.focus());
}
function keepName(): void {
  if (renaming.value === null || trackNameFault(typed.value)) return;
  emit('rename', renaming.value, typed.value.trim());
  renaming.value = null;
}
function onKey(event: KeyboardEvent): void {
  if (event.key !== 'Escape') return;
  event.stopPropagation();
  renaming.value = null;
}
const columns = [
  { key: 'track', title: 'Track' },
  { key: 'kind', title: 'Kind' },
  { key: 'captions', title: 'Captions', figures: true },
  { key: 'proofed', title: 'Proofed', figures: true },
  { key: 'edit', title: 'Edit', figures: true },
  { key: 'open', title: 'Open' },
  { key: 'more', title: 'More' },
] as const;
/** The track that is worked on is not deleted from under the stages. */
const entriesOf = (t: TrackSummary) =>
  [
    { key: 'rename', title: 'Another name…' },
    { key: 'copy', title: 'Copy as a new track' },
    { key: 'about', title: 'Language and kind…' },
    ...(t.kind === 'machine' ? [] : [{ key: 'versions', title: 'Versions' } as const]),
    ...(t.id === props.open
      ? []
      : [
          {
            key: 'beside',
            title: t.id === props.beside ? 'No longer beside the open track' : 'Show beside the open track',
          } as const,
        ]),
    ...(t.id === props.open ? [] : [{ key: 'remove', title: 'Delete' } as const]),
  ] as const;
function take(t: TrackSummary, key: string): void {
  if (key === 'copy') emit('copy', t.id);
  else if (key === 'about') emit('about', t);
  else if (key === 'beside') emit('beside', t.id === props.beside ? null : t.id);
  else if (key === 'versions') emit('versions', t);
  else if (key === 'remove') emit('remove', t);
  else rename(t);
}
</script>

<template>
  <DataTable :columns="columns" :rows="tracks" :key-of="(t) => t.id" :class-of="(t) => (t.id === open ? 'here' : '')">
    <template #track="{ row: t }"
      ><b>{{ languageName(t.language) }}</b>
      <form v-if="renaming === t.id" class="row" @submit.prevent="keepName" @focusout="keepName" @keydown="onKey">
        <TextField
          id="track-name"
          v-model="typed"
          small
          label="Name of the track"
          :invalid="trackNameFault(typed) !== null"
        />
        <TextButton small submit main>Save</TextButton>
      </form>
      <small v-else class="block small soft">{{ t.name }}</small></template
    >
    <template #kind="{ row: t }">{{ kindNames[t.kind] }}</template>
    <template #captions="{ row: t }">{{ t.captions }}</template>
    <template #proofed="{ row: t }">{{ t.kind === 'machine' ? '–' : t.proofed }}</template>
    <template #edit="{ row: t }">{{ t.id === open ? edit : t.edit }}</template>
    <template #head-open><span class="visually-hidden">Open</span></template>
    <template #open="{ row: t }">
      <b v-if="t.id === open" class="open">open</b>
      <span v-else-if="t.kind === 'machine'" class="soft">read-only draft</span>
      <TextButton v-else @click="$emit('open', t.id)">Work on this</TextButton>
    </template>
    <template #head-more><span class="visually-hidden">More</span></template>
    <template #more="{ row: t }">
      <MenuButton :entries="entriesOf(t)" :label="`More for ${t.name}`" @select="(key) => take(t, key)">
        <Ellipsis :size="15" aria-hidden="true" />
      </MenuButton>
    </template>
  </DataTable>
</template>

<script setup lang="ts">
import type { TrackSummary } from '../../core/job/job.ts';
import { languageName } from '../describe/jobs.ts';
import DataTable from '../controls/DataTable.vue';
import TextButton from '../controls/TextButton.vue';

defineProps<{
  tracks: readonly TrackSummary[];
  /** Id of the track the stages work on. */
  open: string;
  /** Edit number of the open track, newer than the list's. */
  edit: number;
}>();
defineEmits<{ open: [id: string] }>();
const columns = [
  { key: 'track', title: 'Track' },
  { key: 'kind', title: 'Kind' },
  { key: 'captions', title: 'Captions', figures: true },
  { key: 'proofed', title: 'Proofed', figures: true },
  { key: 'edit', title: 'Edit', figures: true },
  { key: 'open', title: 'Open' },
] as const;
const kinds = {
  machine: 'machine draft',
  captions: 'captions',
  subtitles: 'subtitles',
  transcript: 'transcript',
} as const;
</script>

<template>
  <DataTable :columns="columns" :rows="tracks" :key-of="(t) => t.id" :class-of="(t) => (t.id === open ? 'here' : '')">
    <template #track="{ row: t }"
      ><b>{{ languageName(t.language) }}</b> <small class="block small soft">{{ t.name }}</small></template
    >
    <template #kind="{ row: t }">{{ kinds[t.kind] }}</template>
    <template #captions="{ row: t }">{{ t.captions }}</template>
    <template #proofed="{ row: t }">{{ t.kind === 'machine' ? '–' : t.proofed }}</template>
    <template #edit="{ row: t }">{{ t.id === open ? edit : t.edit }}</template>
    <template #head-open><span class="visually-hidden">Open</span></template>
    <template #open="{ row: t }">
      <b v-if="t.id === open" class="open">open</b>
      <span v-else-if="t.kind === 'machine'" class="soft">read-only draft</span>
      <TextButton v-else @click="$emit('open', t.id)">Work on this</TextButton>
    </template>
  </DataTable>
</template>

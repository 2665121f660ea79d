<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import type { HandedVersion } from '../../../core/contract/tracks.ts';
import type { TrackSummary } from '../../../core/job/job.ts';
import { ask } from '../../data/client/client.ts';
import DataTable from '../../ui/controls/DataTable.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { changedInWords, moment } from '../../ui/describe/versions.ts';

/** The states of a track that can be looked at and gone back to, the newest first. */
const props = defineProps<{
  track: TrackSummary;
  /** The number of its last edit, newer than the list’s where it is open. */
  edit: number;
}>();
defineEmits<{ look: [version: HandedVersion]; back: [version: HandedVersion]; close: [] }>();
const versions = shallowRef<readonly HandedVersion[] | null>(null);
const trouble = ref<string | null>(null);
let turn = 0;
watch(
  () => [props.track.id, props.edit] as const,
  async ([id], was) => {
    const mine = ++turn;
    if (was?.[0] !== id) versions.value = null;
    try {
      const answer = await ask('GET /api/tracks/:id/versions', { params: { id } });
      if (mine !== turn) return;
      [versions.value, trouble.value] = [[...answer].reverse(), null];
    } catch (error) {
      if (mine === turn) trouble.value = `The versions could not be listed: ${sentence(error)}`;
    }
  },
  { immediate: true },
);
/** So many are listed until all are asked for. */
const few = 30;
const every = ref(false);
const shown = computed(() => (every.value ? (versions.value ?? []) : (versions.value ?? []).slice(0, few)));
const title = useTemplateRef<HTMLElement>('title');
// It stands below what it was asked for from: the keyboard goes along.
watch(
  () => props.track.id,
  async () => {
    every.value = false;
    await nextTick();
    title.value?.focus({ preventScroll: true });
    title.value?.scrollIntoView({ block: 'nearest' });
  },
  { immediate: true },
);
const columns = [
  { key: 'at', title: 'Last changed' },
  { key: 'changed', title: 'What changed in it' },
  { key: 'captions', title: 'Captions', figures: true },
  { key: 'edit', title: 'Edit', figures: true },
  { key: 'handed', title: 'Handed to' },
  { key: 'go', title: 'Look or go back' },
] as const;
</script>

<template>
  <section class="versions stack" aria-labelledby="versions-of">
    <div class="row between">
      <h3 id="versions-of" ref="title" tabindex="-1">
        Versions of “<span dir="auto">{{ track.name }}</span
        >”
      </h3>
      <TextButton small @click="$emit('close')">Close</TextButton>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-else-if="!versions" class="soft" role="status">Reading what was changed when…</p>
    <p v-else-if="versions.length === 0" class="soft">Nothing has been changed in this track yet.</p>
    <DataTable v-else :columns="columns" :rows="shown" :key-of="(v) => String(v.edit)">
      <template #at="{ row: v }">{{ moment(v.at) }}</template>
      <template #changed="{ row: v }">{{ changedInWords(v.changed) }}</template>
      <template #captions="{ row: v }">{{ v.captions }}</template>
      <template #edit="{ row: v }">{{ v.edit }}</template>
      <template #handed="{ row: v }">{{ v.handed.join(', ') }}</template>
      <template #head-go><span class="visually-hidden">Look or go back</span></template>
      <template #go="{ row: v }">
        <b v-if="v === versions?.[0]" class="soft">as it is now</b>
        <span v-else class="row">
          <TextButton small @click="$emit('look', v)">Look at it</TextButton>
          <TextButton small @click="$emit('back', v)">Go back to it</TextButton>
        </span>
      </template>
    </DataTable>
    <p v-if="versions && shown.length < versions.length">
      <TextButton small @click="every = true">Show all {{ versions.length }}</TextButton>
    </p>
  </section>
</template>

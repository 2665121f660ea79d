<script setup lang="ts">
import type { TrackSummary } from '../../core/job/job.ts';
import { languageName } from '../describe/jobs.ts';

defineProps<{
  tracks: readonly TrackSummary[];
  /** Id of the track the stages work on. */
  open: string;
  /** Edit number of the open track, newer than the list's. */
  edit: number;
}>();
defineEmits<{ open: [id: string] }>();
const kinds = {
  machine: 'machine draft',
  captions: 'captions',
  subtitles: 'subtitles',
  transcript: 'transcript',
} as const;
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col">Track</th>
        <th scope="col">Kind</th>
        <th scope="col" class="number">Captions</th>
        <th scope="col" class="number">Proofed</th>
        <th scope="col" class="number">Edit</th>
        <td></td>
      </tr>
    </thead>
    <tbody>
      <tr v-for="t in tracks" :key="t.id" :class="{ here: t.id === open }">
        <th scope="row">
          {{ languageName(t.language) }} <small>{{ t.name }}</small>
        </th>
        <td>{{ kinds[t.kind] }}</td>
        <td class="number figures">{{ t.captions }}</td>
        <td class="number figures">{{ t.kind === 'machine' ? '–' : t.proofed }}</td>
        <td class="number figures">{{ t.id === open ? edit : t.edit }}</td>
        <td>
          <b v-if="t.id === open" class="open">open</b>
          <span v-else-if="t.kind === 'machine'" class="soft">kept as it came</span>
          <button v-else type="button" class="plain-button" @click="$emit('open', t.id)">Work on this</button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  background: var(--sheet);
}
th,
td {
  padding: 8px 14px;
  border: 1px solid var(--rule);
  text-align: left;
}
thead th {
  color: var(--soft);
  font-weight: 500;
}
.number {
  text-align: right;
}
small {
  display: block;
  color: var(--soft);
  font-size: 14px;
  font-weight: 400;
}
.here {
  background: var(--reed-wash);
}
.here small,
.here td {
  color: var(--ink);
}
.open {
  color: var(--reed);
}
</style>

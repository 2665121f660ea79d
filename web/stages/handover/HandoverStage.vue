<script setup lang="ts">
import { computed } from 'vue';
import { formatNamed } from '../../../core/formats/registry.ts';
import type { Destination, DestinationKind } from '../../../core/job/job.ts';
import DataTable from '../../ui/controls/DataTable.vue';
import { languageName } from '../../ui/describe/jobs.ts';
import { useTrack } from '../../data/tracks/track.ts';
import DestinationCell from './DestinationCell.vue';
import TakeFiles from './TakeFiles.vue';
import { useHandover } from './use-handover.ts';

const track = useTrack();
const { cells, trouble, load, send, change } = useHandover();
const kindTitles: Readonly<Record<DestinationKind, string>> = { 'video-host': 'video host' };
/** The format that is sent there. */
const formatTitle = ({ takes }: Destination): string => formatNamed(takes[0] ?? '')?.title ?? '';
const columns = computed(() => [
  { key: 'track', title: 'Track' },
  ...cells.value.map(({ destination: d }) => ({ key: d.id, title: d.name })),
]);
</script>

<template>
  <div class="stage-bar">
    <h2>Handover</h2>
    <span class="soft">what each destination has, and what it should have</span>
  </div>
  <div class="handover scrolls stage-body">
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <DataTable v-if="cells.length > 0 && track.track" :columns="columns" :rows="[track.track]" :key-of="(t) => t.id">
      <template v-for="{ destination: d } in cells" :key="d.id" #[`head-${d.id}`]>
        {{ d.name }}<small class="block small plain soft">{{ kindTitles[d.kind] }} · {{ formatTitle(d) }}</small>
      </template>
      <template #head-track><span class="visually-hidden">Track</span></template>
      <template #track="{ row: t }">
        <b>{{ languageName(t.language) }}</b><small class="block small plain soft"
          >{{ t.name }} · edit {{ t.edit }}</small
        >
      </template>
      <template v-for="{ destination: d, ...cell } in cells" :key="d.id" #[d.id]="{ row: t }">
        <DestinationCell
          :name="d.name"
          v-bind="cell"
          :edit="t.edit"
          :kept="track.savedState === 'saved'"
          @again="load"
          @send="send(d, $event)"
          @change="(work, to) => change(d.id, work, to)"
        />
      </template>
    </DataTable>
    <p v-else-if="!trouble" class="soft">No destination has been set up. You can download the files below.</p>

    <TakeFiles />
  </div>
</template>

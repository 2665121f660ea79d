<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import { ask, sentence } from '../api/client.ts';
import type { Destination, PlaceThere, Receipt } from '../../core/job/job.ts';
import { languageName } from '../jobs/describe.ts';
import { useJob } from '../stores/job.ts';
import { useTrack } from '../stores/track.ts';
import DestinationCell from './DestinationCell.vue';
import TakeFiles from './TakeFiles.vue';

const job = useJob();
const track = useTrack();
const destinations = shallowRef<readonly Destination[]>([]);
const receipts = shallowRef<readonly Receipt[]>([]);
const places = shallowRef<ReadonlyMap<string, readonly PlaceThere[]>>(new Map());
const trouble = ref<string | null>(null);
const troubles = ref<Readonly<Record<string, string>>>({});
let timer: ReturnType<typeof setTimeout> | undefined;

async function refresh(): Promise<void> {
  clearTimeout(timer);
  if (!job.job) return;
  try {
    receipts.value = await ask<Receipt[]>('GET', `/jobs/${job.job.id}/receipts`);
    trouble.value = null;
  } catch (error) {
    trouble.value = sentence(error);
  }
  if (receipts.value.some((r) => r.state === 'processing')) timer = setTimeout(() => void refresh(), 700);
}

function forget(destination: string): void {
  troubles.value = Object.fromEntries(Object.entries(troubles.value).filter(([id]) => id !== destination));
}

async function lookAround(): Promise<void> {
  try {
    destinations.value = await ask<Destination[]>('GET', '/destinations');
  } catch (error) {
    trouble.value = sentence(error);
  }
  for (const d of destinations.value) {
    forget(d.id);
    try {
      places.value = new Map([
        ...places.value,
        [d.id, await ask<PlaceThere[]>('GET', `/destinations/${d.id}/recordings`)],
      ]);
    } catch (error) {
      troubles.value = { ...troubles.value, [d.id]: sentence(error) };
    }
  }
}

/** Places that were put there from here, chosen at once. */
const put = ref<Readonly<Record<string, string>>>({});
const putting = ref<string | null>(null);
async function putThere(destination: string): Promise<void> {
  if (!job.job) return;
  putting.value = destination;
  forget(destination);
  try {
    const place = await ask<PlaceThere>('POST', `/jobs/${job.job.id}/places`, { destination });
    put.value = { ...put.value, [destination]: place.id };
    await lookAround();
  } catch (error) {
    troubles.value = { ...troubles.value, [destination]: sentence(error) };
  } finally {
    putting.value = null;
  }
}

async function send(destination: string, place: string): Promise<void> {
  if (!job.job || !track.track) return;
  forget(destination);
  try {
    await ask('POST', `/jobs/${job.job.id}/receipts`, { track: track.track.id, destination, place, format: 'srt' });
    await refresh();
  } catch (error) {
    troubles.value = { ...troubles.value, [destination]: sentence(error) };
  }
}
const receiptOf = (destination: string): Receipt | null =>
  receipts.value.find((r) => r.destination === destination && r.track === track.track?.id) ?? null;
/** The place there that carries this job's title, to begin with. */
const likelyPlace = (destination: string): string =>
  put.value[destination] ??
  receiptOf(destination)?.place ??
  places.value.get(destination)?.find((p) => p.title === job.job?.title)?.id ??
  '';

onMounted(() => {
  void refresh();
  void lookAround();
});
onBeforeUnmount(() => clearTimeout(timer));
</script>

<template>
  <div class="stage-bar">
    <h2>Handover</h2>
    <span class="soft">what each place holds, and what it should hold</span>
  </div>
  <div class="handover">
    <p v-if="trouble" class="handover-trouble" role="alert">{{ trouble }}</p>
    <table v-if="destinations.length > 0">
      <thead>
        <tr>
          <td></td>
          <th v-for="d in destinations" :key="d.id" scope="col">{{ d.name }}<small>video host · SRT</small></th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="track.track">
          <th scope="row">
            {{ languageName(track.track.language) }}<small>{{ track.track.name }} · edit {{ track.track.edit }}</small>
          </th>
          <td v-for="d in destinations" :key="d.id">
            <DestinationCell
              :name="d.name"
              :receipt="receiptOf(d.id)"
              :places="places.get(d.id) ?? []"
              :likely="likelyPlace(d.id)"
              :edit="track.track.edit"
              :kept="track.keeping === 'kept'"
              :trouble="troubles[d.id] ?? null"
              :putting="putting === d.id"
              @again="lookAround"
              @put="putThere(d.id)"
              @send="send(d.id, $event)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="!trouble" class="soft">No destination has been set up. The files can be taken away below.</p>

    <TakeFiles />
  </div>
</template>

<style scoped>
.handover {
  flex: 1;
  min-height: 0;
  padding: 16px;
  overflow-y: auto;
}
.handover-trouble {
  margin-bottom: 12px;
  color: var(--alarm);
}
table {
  border-collapse: collapse;
  background: var(--sheet);
}
th,
td {
  min-width: 150px;
  padding: 10px 14px;
  border: 1px solid var(--rule);
  text-align: left;
  vertical-align: top;
}
small {
  display: block;
  color: var(--soft);
  font-size: 14px;
  font-weight: 400;
}
</style>

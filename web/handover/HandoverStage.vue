<script setup lang="ts">
import { languageName } from '../describe/jobs.ts';
import { useTrack } from '../stores/track.ts';
import DestinationCell from './DestinationCell.vue';
import TakeFiles from './TakeFiles.vue';
import { useHandover } from './use-handover.ts';

const track = useTrack();
const { cells, trouble, load, send, change } = useHandover();
</script>

<template>
  <div class="stage-bar">
    <h2>Handover</h2>
    <span class="soft">what each place holds, and what it should hold</span>
  </div>
  <div class="handover">
    <p v-if="trouble" class="handover-trouble" role="alert">{{ trouble }}</p>
    <table v-if="cells.length > 0">
      <thead>
        <tr>
          <td></td>
          <th v-for="{ destination: d } in cells" :key="d.id" scope="col">
            {{ d.name }}<small>video host · SRT</small>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="track.track">
          <th scope="row">
            {{ languageName(track.track.language) }}<small>{{ track.track.name }} · edit {{ track.track.edit }}</small>
          </th>
          <td v-for="{ destination: d, ...cell } in cells" :key="d.id">
            <DestinationCell
              :name="d.name"
              v-bind="cell"
              :edit="track.track.edit"
              :kept="track.keeping === 'kept'"
              @again="load"
              @send="send(d.id, $event)"
              @change="(work, to) => change(d.id, work, to)"
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

<script setup lang="ts">
import ChoiceButtons from '../../ui/controls/ChoiceButtons.vue';
import TextField from '../../ui/controls/TextField.vue';
import { useEdges } from './edges.ts';

/** How begins and ends are moved. The times of words stay, since they are where the words are said. */
const edges = useEdges();
const ways = [
  ['frames', 'Snap to frames'],
  ['gaps', 'Close gaps'],
  ['further', 'Lead and linger'],
] as const;
</script>

<template>
  <div class="row wrap">
    <ChoiceButtons v-model="edges.way" label="What is done to begins and ends" :options="ways" />
    <template v-if="edges.way === 'gaps'">
      <label for="gaps-up-to">of up to</label>
      <TextField id="gaps-up-to" v-model="edges.upTo" small class="edge-seconds figures" autocomplete="off" />
      <span>s</span>
    </template>
    <template v-else-if="edges.way === 'further'">
      <label for="edge-lead">begin earlier by</label>
      <TextField id="edge-lead" v-model="edges.lead" small class="edge-seconds figures" autocomplete="off" />
      <label for="edge-linger">s, end later by</label>
      <TextField id="edge-linger" v-model="edges.linger" small class="edge-seconds figures" autocomplete="off" />
      <span>s, where there is room</span>
    </template>
  </div>
</template>

<style scoped>
.edge-seconds {
  width: 72px;
}
</style>

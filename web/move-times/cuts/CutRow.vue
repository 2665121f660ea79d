<script setup lang="ts">
import { cutSaid } from '../../../core/timing/whole/cut-changes.ts';
import ChoiceButtons from '../../ui/controls/ChoiceButtons.vue';
import FileButton from '../../ui/controls/FileButton.vue';
import ProgressBar from '../../ui/controls/ProgressBar.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import TextField from '../../ui/controls/TextField.vue';
import { useJob } from '../../data/jobs/job.ts';
import { useCuts } from './cuts.ts';

/** What became of the recording: typed, drawn on the tape, or found by comparing it with the one captions were made for. */
const cuts = useCuts();
const job = useJob();
const ways = [
  ['cut', 'Taken out'],
  ['put in', 'Put in'],
] as const;
</script>

<template>
  <div v-if="cuts.reading !== null" class="row">
    <span class="grow"><ProgressBar label="Comparing the two recordings" :share="cuts.reading" /></span>
    <TextButton @click="cuts.stop()">Stop</TextButton>
  </div>
  <div v-else class="row wrap">
    <template v-if="cuts.compared">
      <p v-if="cuts.compared.changes.length === 0" class="small grow plain" role="status">
        The recording is as {{ cuts.compared.file }} is: nothing was cut.
      </p>
      <ul v-else class="plain-list small cut-list grow" aria-label="What became of the recording">
        <li v-for="(change, i) in cuts.compared.changes" :key="i" class="figures">{{ cutSaid(change) }}</li>
      </ul>
      <TextButton @click="cuts.clear()">Begin again</TextButton>
    </template>
    <template v-else>
      <ChoiceButtons v-model="cuts.way" label="What was done to the recording" :options="ways" />
      <TextField
        id="cut-list"
        v-model="cuts.typed"
        small
        class="cut-typed figures"
        autocomplete="off"
        label="Where: two times for each, in the recording"
        placeholder="0:20 – 0:32.5; 1:10 – 1:30"
        :invalid="cuts.fault !== null"
        aria-describedby="shift-said"
      />
      <TextButton v-if="job.job?.recordingBefore" @click="cuts.compareBefore()">
        Compare with “{{ job.job.recordingBefore.name }}”
      </TextButton>
      <FileButton :disabled="!job.recordingUrl" @file="(file) => cuts.compare(file)">
        {{ job.job?.recordingBefore ? 'With another file…' : 'Compare with the old recording…' }}
      </FileButton>
      <span v-if="cuts.trouble" class="bad small" role="alert">{{ cuts.trouble }}</span>
    </template>
  </div>
</template>

<style scoped>
.cut-typed {
  flex: 1;
  min-width: 220px;
}
.cut-list {
  max-height: 96px;
  overflow-y: auto;
}
</style>

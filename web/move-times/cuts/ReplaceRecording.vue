<script setup lang="ts">
import { computed } from 'vue';
import FileButton from '../../ui/controls/FileButton.vue';
import ProgressBar from '../../ui/controls/ProgressBar.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { recordingInWords } from '../../ui/describe/recordings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useReplacing } from './replacing.ts';

/** The recording of the job, and another cut of it in its place. */
const emit = defineEmits<{ replaced: [] }>();
const job = useJob();
const replacing = useReplacing();
const recording = computed(() => job.job?.recording ?? null);

async function replaceWith(file: File): Promise<void> {
  if (await replacing.replaceWith(file)) emit('replaced');
}
async function goBack(): Promise<void> {
  if (await replacing.goBack()) emit('replaced');
}
</script>

<template>
  <div class="stack close">
    <p v-if="recording">
      <b class="recording-name" dir="auto">{{ recording.name }}</b><span class="small soft">{{
        recordingInWords(recording, job.job?.rate ?? null)
      }}</span>
    </p>
    <p v-else class="soft">This job has no recording.</p>
    <div v-if="replacing.share !== null" class="row">
      <span class="grow"><ProgressBar label="Upload of the recording" :share="replacing.share" /></span>
      <TextButton @click="replacing.stop()">Stop</TextButton>
    </div>
    <div class="row wrap">
      <FileButton accept="video/*,audio/*" @file="replaceWith">{{
        recording ? 'Replace it with another cut…' : 'Choose a recording…'
      }}</FileButton>
      <TextButton
        v-if="replacing.before && replacing.share === null"
        tip="It is kept until another takes the place of this one, or the job is deleted"
        @click="goBack"
        >Go back to “{{ replacing.before.name }}”</TextButton
      >
    </div>
    <p v-if="replacing.trouble" class="bad small" role="alert">{{ replacing.trouble }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
.recording-name {
  display: block;
  overflow-wrap: anywhere;
}
</style>

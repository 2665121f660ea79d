<script setup lang="ts">
import { computed } from 'vue';
import type { JobSummary } from '../../../core/job/job.ts';
import { lengthInWords } from '../../../core/timing/clock/clock.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import { openWhile } from '../../ui/controls/open-while.ts';

/** Asks before a job is deleted, and says what goes with it. It comes when it is first asked. */
const leaving = defineModel<JobSummary | null>('leaving', { required: true });
const emit = defineEmits<{ remove: [job: JobSummary] }>();
const open = openWhile(leaving);
const goes = computed(() => {
  const job = leaving.value;
  if (!job) return '';
  const length = job.recording?.length;
  return [
    job.recording ? `its recording (${length ? lengthInWords(length) : job.recording.name})` : '',
    job.recordingBefore ? `the recording before it, “${job.recordingBefore.name}”` : '',
    `${String(job.tracks.length)} ${job.tracks.length === 1 ? 'track' : 'tracks'} with all edits`,
    'its receipts',
  ]
    .filter(Boolean)
    .join(', ');
});
function remove(): void {
  const job = leaving.value;
  leaving.value = null;
  if (job) emit('remove', job);
}
</script>

<template>
  <DialogSheet
    v-model:open="open"
    :title="`Delete “${leaving?.title ?? ''}”?`"
    ok-text="Delete"
    ok-type="danger"
    cancel-text="Cancel"
    :width="520"
    @ok="remove"
  >
    <p>
      This deletes the job and everything in it: {{ goes }}. It cannot be undone. Files already handed over stay where
      they are.
    </p>
  </DialogSheet>
</template>

/** The job that is open. */
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { shippedStyles } from '../../core/rules/style.ts';
import { ask, sentence } from '../api/client.ts';
import type { Job } from '../../core/job/job.ts';

export const useJob = defineStore('job', () => {
  const job = shallowRef<Job | null>(null);
  const trouble = shallowRef<string | null>(null);

  async function open(id: string): Promise<void> {
    job.value = null;
    trouble.value = null;
    try {
      job.value = await ask<Job>('GET', `/jobs/${id}`);
    } catch (error) {
      trouble.value = sentence(error);
    }
  }

  async function useStyle(id: string): Promise<void> {
    if (job.value) job.value = await ask<Job>('PATCH', `/jobs/${job.value.id}`, { style: id });
  }

  const recordingUrl = computed(() =>
    job.value?.recording ? `/api/recordings/${job.value.recording.hash}/file` : null,
  );
  return { job, trouble, recordingUrl, styles: shippedStyles, open, useStyle };
});

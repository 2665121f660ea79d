/** All jobs, as the server last told them. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import type { JobSummary } from '../../../core/job/job.ts';
import { ask } from '../client/client.ts';

export const useJobList = defineStore('job-list', () => {
  /** Null until they are known. */
  const jobs = shallowRef<readonly JobSummary[] | null>(null);
  /** Why they could not be had. */
  const trouble = ref<string | null>(null);
  let asked: Promise<readonly JobSummary[]> | null = null;

  /** Takes over what was asked for before there were stores; it is good for one loading. */
  function adopt(early: Promise<readonly JobSummary[]>): void {
    asked = early;
  }
  async function load(): Promise<void> {
    const answer = asked ?? ask('GET /api/jobs');
    asked = null;
    try {
      jobs.value = await answer;
      trouble.value = null;
    } catch (error) {
      trouble.value = sentence(error);
    }
  }
  /** Deletes a job with everything of it. */
  async function remove(job: JobSummary): Promise<void> {
    try {
      await ask('DELETE /api/jobs/:id', { params: { id: job.id } });
      await load();
    } catch (error) {
      trouble.value = sentence(error);
    }
  }
  return { jobs, trouble, adopt, load, remove };
});

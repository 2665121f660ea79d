<script setup lang="ts">
import Modal from 'ant-design-vue/es/modal';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { lengthInWords } from '../../core/time/clock.ts';
import { ask, sentence } from '../api/client.ts';
import type { Job } from '../../core/job/job.ts';
import PageHeader from '../frame/PageHeader.vue';
import JobRow from './JobRow.vue';
import { proofedShare } from './describe.ts';

const jobs = shallowRef<readonly Job[] | null>(null);
const trouble = ref<string | null>(null);
const wanted = ref('');
const order = ref<'made' | 'title' | 'length' | 'proofed'>('made');

const shown = computed(() => {
  const words = wanted.value.trim().toLowerCase();
  const found = (jobs.value ?? []).filter((j) => `${j.title} ${j.series}`.toLowerCase().includes(words));
  const by: Readonly<Record<typeof order.value, (a: Job, b: Job) => number>> = {
    made: (a, b) => b.made - a.made,
    title: (a, b) => a.title.localeCompare(b.title),
    length: (a, b) => (b.recording?.length ?? 0) - (a.recording?.length ?? 0),
    proofed: (a, b) => proofedShare(a) - proofedShare(b),
  };
  return [...found].sort(by[order.value]);
});

async function load(): Promise<void> {
  try {
    jobs.value = await ask<Job[]>('GET', '/jobs');
    trouble.value = null;
  } catch (error) {
    trouble.value = sentence(error);
  }
}

function remove(job: Job): void {
  const parts = [
    job.recording
      ? `its recording (${job.recording.length ? lengthInWords(job.recording.length) : job.recording.name})`
      : '',
    `${String(job.tracks.length)} tracks with all their edits`,
    'its receipts',
  ].filter(Boolean);
  Modal.confirm({
    title: `Delete “${job.title}”?`,
    content: `This deletes the job with everything of it: ${parts.join(', ')}. It cannot be taken back. What places already hold stays there.`,
    okText: 'Delete it all',
    okType: 'danger',
    cancelText: 'Keep it',
    async onOk() {
      try {
        await ask('DELETE', `/jobs/${job.id}`);
        await load();
      } catch (error) {
        trouble.value = sentence(error);
      }
    },
  });
}
onMounted(() => {
  document.title = 'Jobs · Fenwix';
  void load();
});
</script>

<template>
  <PageHeader title="Jobs" />
  <main class="jobs">
    <div class="jobs-bar">
      <label>
        <span class="visually-hidden">Search jobs</span>
        <input v-model="wanted" class="text-input" type="search" placeholder="Search by title" />
      </label>
      <label class="soft"
        >Sorted by
        <select v-model="order" class="plain-button">
          <option value="made">newest</option>
          <option value="title">title</option>
          <option value="length">length</option>
          <option value="proofed">least proofed</option>
        </select>
      </label>
      <span class="spring"></span>
      <RouterLink class="plain-button" :to="{ name: 'styles' }">House styles</RouterLink>
      <RouterLink class="plain-button main" :to="{ name: 'intake' }">New job</RouterLink>
    </div>
    <div v-if="trouble" class="jobs-message" role="alert">
      <p>{{ trouble }}</p>
      <button type="button" class="plain-button" @click="load">Try again</button>
    </div>
    <p v-else-if="jobs === null" class="jobs-message soft" aria-live="polite">Looking for your jobs…</p>
    <div v-else-if="jobs.length === 0" class="jobs-message">
      <h2>No jobs yet</h2>
      <p class="soft">
        A job is one recording and everything made for it. Begin with the recording and its machine draft.
      </p>
      <RouterLink class="plain-button main" :to="{ name: 'intake' }">Bring in a recording</RouterLink>
    </div>
    <p v-else-if="shown.length === 0" class="jobs-message soft">No job is called “{{ wanted }}”.</p>
    <ul v-else>
      <JobRow v-for="job in shown" :key="job.id" :job="job" @remove="remove(job)" />
    </ul>
  </main>
</template>

<style scoped>
.jobs {
  max-width: 1100px;
  margin: 0 auto;
  padding: 24px;
}
.jobs-bar {
  display: flex;
  align-items: center;
  gap: 14px;
  margin-bottom: 16px;
}
.spring {
  flex: 1;
}
input {
  width: 260px;
}
a.plain-button {
  text-decoration: none;
}
ul {
  margin: 0;
  padding: 0;
  border-top: 1px solid var(--rule);
  list-style: none;
}
.jobs-message {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 12px;
  padding: 80px 24px;
  text-align: center;
}
</style>

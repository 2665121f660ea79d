<script setup lang="ts">
import EmptyPage from '../controls/EmptyPage.vue';
import SelectField from '../controls/SelectField.vue';
import TextField from '../controls/TextField.vue';
import { useWindowVirtualizer } from '@tanstack/vue-virtual';
import {
  computed,
  defineAsyncComponent,
  onBeforeUnmount,
  onMounted,
  ref,
  shallowRef,
  useTemplateRef,
  watch,
} from 'vue';
import { sentence } from '../../core/contract/api-error.ts';
import { ask } from '../api/client.ts';
import type { JobSummary } from '../../core/job/job.ts';
import PageHeader from '../controls/PageHeader.vue';
import { useServerEvents } from '../stores/server-events.ts';
import { newId } from '../sync/ids.ts';
import JobRow from './JobRow.vue';
import { proofedShare } from '../describe/jobs.ts';
import { drawPosters } from './draw-posters.ts';
import LinkButton from '../controls/LinkButton.vue';
import TextButton from '../controls/TextButton.vue';

const jobs = shallowRef<readonly JobSummary[] | null>(null);
const trouble = ref<string | null>(null);
const wanted = ref('');
const orders = [
  { value: 'made', title: 'newest' },
  { value: 'title', title: 'title' },
  { value: 'length', title: 'length' },
  { value: 'proofed', title: 'least proofed' },
] as const;
type Order = (typeof orders)[number]['value'];
const order = ref<Order>('made');

const shown = computed(() => {
  const words = wanted.value.trim().toLowerCase();
  const found = (jobs.value ?? []).filter((j) => `${j.title} ${j.series}`.toLowerCase().includes(words));
  const by: Readonly<Record<Order, (a: JobSummary, b: JobSummary) => number>> = {
    made: (a, b) => b.made - a.made,
    title: (a, b) => a.title.localeCompare(b.title),
    length: (a, b) => (b.recording?.length ?? 0) - (a.recording?.length ?? 0),
    proofed: (a, b) => proofedShare(a) - proofedShare(b),
  };
  return [...found].sort(by[order.value]);
});

async function load(): Promise<void> {
  try {
    jobs.value = await ask('GET /api/jobs');
    trouble.value = null;
  } catch (error) {
    trouble.value = sentence(error);
  }
}

/** The job that is to be deleted, until that is said or taken back. */
const leaving = shallowRef<JobSummary | null>(null);
const DeleteJob = defineAsyncComponent(() => import('./DeleteJob.vue'));
const isAsked = ref(false);
watch(leaving, () => (isAsked.value = true));
async function remove(job: JobSummary): Promise<void> {
  try {
    await ask('DELETE /api/jobs/:id', { params: { id: job.id } });
    await load();
  } catch (error) {
    trouble.value = sentence(error);
  }
}
/** The list is asked for again at most this often, in ms, however much happens. */
const atMostEvery = 1000;
let timer: ReturnType<typeof setTimeout> | undefined;
useServerEvents().hear((event) => {
  if (event.type !== 'work' || event.work.state === 'done')
    timer ??= setTimeout(() => {
      timer = undefined;
      void load();
    }, atMostEvery);
});
onBeforeUnmount(() => clearTimeout(timer));

/** The height of most rows with their rule, in px; a long title makes one higher. */
const rowHeight = 97;
const list = useTemplateRef<HTMLElement>('list');
const rows = useWindowVirtualizer(
  computed(() => ({
    count: shown.value.length,
    estimateSize: () => rowHeight,
    overscan: 6,
    scrollMargin: list.value?.offsetTop ?? 0,
    getItemKey: (i: number) => shown.value[i]?.id ?? i,
  })),
);
const visible = computed(() =>
  rows.value.getVirtualItems().flatMap(({ index, start }) => {
    const job = shown.value[index];
    return job ? [{ job, top: start - rows.value.options.scrollMargin, index }] : [];
  }),
);

const measure = (row: unknown): void => {
  const element = (row as { $el?: Element } | null)?.$el;
  if (element) rows.value.measureElement(element);
};

// Asked for before the page is put up, which takes as long as the answer.
void load();
onMounted(() => {
  document.title = 'Jobs · Fenwix';
  // Pictures that are missing are no reason to say anything; whoever comes next draws them.
  drawPosters(ask, newId()).catch(() => undefined);
});
</script>

<template>
  <PageHeader title="Jobs" />
  <main class="page-column">
    <div class="jobs-bar row wide wrap">
      <TextField
        v-model="wanted"
        class="jobs-search"
        type="search"
        label="Search jobs"
        placeholder="Search by title or series"
      />
      <span class="soft" aria-hidden="true">Sort by</span>
      <SelectField v-model="order" label="Sort by" :options="orders" large />
      <span class="grow"></span>
      <LinkButton large :to="{ name: 'styles' }">House styles</LinkButton>
      <LinkButton main large :to="{ name: 'intake' }">New job</LinkButton>
    </div>
    <div v-if="trouble" class="empty-page" role="alert">
      <p>{{ trouble }}</p>
      <TextButton @click="load">Try again</TextButton>
    </div>
    <p v-else-if="jobs === null" class="empty-page soft" aria-live="polite">Loading the jobs…</p>
    <EmptyPage v-else-if="jobs.length === 0" title="No jobs yet">
      A job is one recording and everything made for it. Start with the recording and its machine draft or captions.
      <template #actions><LinkButton main large :to="{ name: 'intake' }">New job</LinkButton></template>
    </EmptyPage>
    <p v-else-if="shown.length === 0" class="empty-page soft">No job matches “{{ wanted }}”.</p>
    <div v-else ref="list" class="jobs-list" role="list" :style="{ height: `${rows.getTotalSize()}px` }">
      <JobRow
        v-for="{ job, top, index } in visible"
        :key="job.id"
        :ref="measure"
        :job="job"
        :data-index="index"
        :style="{ top: `${top}px` }"
        :aria-setsize="shown.length"
        :aria-posinset="index + 1"
        @remove="leaving = job"
      />
    </div>
    <DeleteJob v-if="isAsked" v-model:leaving="leaving" @remove="remove" />
  </main>
</template>

<style scoped>
.jobs-bar {
  margin-bottom: 16px;
}
.jobs-search {
  width: 260px;
}
.jobs-list {
  position: relative;
  border-top: 1px solid var(--rule);
}
</style>

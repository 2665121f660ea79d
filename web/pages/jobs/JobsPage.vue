<script setup lang="ts">
import EmptyPage from '../../ui/controls/EmptyPage.vue';
import { useWindowVirtualizer } from '@tanstack/vue-virtual';
import { storeToRefs } from 'pinia';
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
import { ask } from '../../data/client/client.ts';
import type { JobSummary } from '../../../core/job/job.ts';
import PageHeader from '../../ui/controls/PageHeader.vue';
import { whenIdle } from '../../ui/idle.ts';
import { useJobList } from '../../data/jobs/job-list.ts';
import { useLeftChanges } from '../../data/tracks/left-changes.ts';
import { useServerEvents } from '../../data/client/server-events.ts';
import { newId } from '../../data/sync/ids.ts';
import JobRow from './JobRow.vue';
import { jobsFound, type JobOrder } from './job-orders.ts';
import { drawPosters } from './draw-posters.ts';
import LinkButton from '../../ui/controls/LinkButton.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const list = useJobList();
const { jobs, trouble } = storeToRefs(list);
const left = useLeftChanges();
const LeftChanges = defineAsyncComponent(() => import('./LeftChanges.vue'));
const wanted = ref('');
const order = ref<JobOrder>('made');
const shown = computed(() => jobsFound(jobs.value ?? [], wanted.value, order.value));
const JobsSearch = defineAsyncComponent(() => import('./JobsSearch.vue'));

/** The job that is to be deleted, until that is said or taken back. */
const leaving = shallowRef<JobSummary | null>(null);
const DeleteJob = defineAsyncComponent(() => import('./DeleteJob.vue'));
const isAsked = ref(false);
watch(leaving, () => (isAsked.value = true));
/** The list is asked for again at most this often, in ms, however much happens. */
const atMostEvery = 1000;
let timer: ReturnType<typeof setTimeout> | undefined;
useServerEvents().hear((event) => {
  if (event.type !== 'work' || event.work.state === 'done')
    timer ??= setTimeout(() => {
      timer = undefined;
      void list.load();
    }, atMostEvery);
});
onBeforeUnmount(() => clearTimeout(timer));

/** The height of most rows with their rule, in px; a long title makes one higher. */
const rowHeight = 97;
const listBox = useTemplateRef<HTMLElement>('list-box');
/** Where the list begins on the page, in px: asked once it is shown, since asking before means laying it out twice. */
const margin = ref(0);
watch(listBox, (box) => whenIdle(() => (margin.value = box?.offsetTop ?? 0), 200));
const rows = useWindowVirtualizer(
  computed(() => ({
    count: shown.value.length,
    estimateSize: () => rowHeight,
    overscan: 6,
    scrollMargin: margin.value,
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
void list.load();
onMounted(() => {
  document.title = 'Jobs · Fenwix';
  // Pictures that are missing are no reason to say anything; whoever comes next draws them.
  drawPosters(ask, newId()).catch(() => undefined);
  whenIdle(() => void left.look().catch(() => undefined), 1000);
});
</script>

<template>
  <PageHeader title="Jobs" />
  <main class="page-column">
    <div class="jobs-bar row wide wrap">
      <JobsSearch v-if="jobs" v-model:wanted="wanted" v-model:order="order" />
      <span class="grow"></span>
      <LinkButton large :to="{ name: 'styles' }">House styles</LinkButton>
      <LinkButton main large :to="{ name: 'intake' }">New job</LinkButton>
    </div>
    <LeftChanges v-if="left.items.length > 0" />
    <div v-if="trouble" class="empty-page" role="alert">
      <p>{{ trouble }}</p>
      <TextButton @click="list.load">Try again</TextButton>
    </div>
    <p v-else-if="jobs === null" class="empty-page soft" aria-live="polite">Loading the jobs…</p>
    <EmptyPage v-else-if="jobs.length === 0" title="No jobs yet">
      A job is one recording and everything made for it. Start with the recording and its machine draft or captions.
      <template #actions><LinkButton main large :to="{ name: 'intake' }">New job</LinkButton></template>
    </EmptyPage>
    <p v-else-if="shown.length === 0" class="empty-page soft">No job matches “{{ wanted }}”.</p>
    <div v-else ref="list-box" class="jobs-list" role="list" :style="{ height: `${rows.getTotalSize()}px` }">
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
    <DeleteJob v-if="isAsked" v-model:leaving="leaving" @remove="list.remove" />
  </main>
</template>

<style scoped>
.jobs-bar {
  margin-bottom: 16px;
}
.jobs-list {
  position: relative;
  border-top: 1px solid var(--rule);
}
</style>

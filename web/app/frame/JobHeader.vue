<script setup lang="ts">
import IconButton from '../../ui/controls/IconButton.vue';
import MenuButton, { type MenuEntry } from '../../ui/controls/MenuButton.vue';
import Button from 'ant-design-vue/es/button';
import { ChevronDown, Redo2, Undo2 } from '@lucide/vue';
import { computed, onMounted } from 'vue';
import { useRouter } from 'vue-router';
import { styleStanding } from '../../../core/style/style-names.ts';
import { lengthInWords } from '../../../core/timing/clock/clock.ts';
import { rateText } from '../../../core/timing/clock/frames.ts';
import { useCommandList } from '../../data/commands/command-list.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useStyles } from '../../data/jobs/styles.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { languageName } from '../../ui/describe/jobs.ts';
import ThemeButton from '../../ui/controls/ThemeButton.vue';
import SavedState from './SavedState.vue';
import KeyHint from '../../ui/commands/KeyHint.vue';

const job = useJob();
const track = useTrack();
const messages = useMessages();
const findings = useFindings();
const styles = useStyles();
const dialogs = useDialogs();
const { keyOf } = useCommandList();
const router = useRouter();

const under = computed(() => {
  const { job: open } = job;
  if (!open) return '';
  const rate = `${rateText(open.rate)} fps`;
  const many = track.captions.length;
  const proofed = many > 0 ? `${String(track.proofed)} of ${String(many)} proofed` : '';
  return [open.series, open.recording?.length ? lengthInWords(open.recording.length) : '', rate, proofed]
    .filter(Boolean)
    .join(' · ');
});
/** That the job's style is no longer the one it is named after. */
const aside = computed(() => {
  const standing = job.job ? styleStanding(job.job.style, styles.all) : 'same';
  return { same: '', earlier: ', as it was', changed: ', changed', gone: '' }[standing];
});
// While the server is away the styles that ship are there.
onMounted(() => void styles.load().catch(() => undefined));
/** Every style is one click away, under the pointer; and changing it for this job, and all of them side by side. */
const entries = computed((): MenuEntry[] => [
  ...styles.all.map((s) => ({
    key: s.id,
    title: s.name,
    detail: `${String(s.text.lineLength.limit)} characters, ${String(s.reading.speed.limit)} cps`,
  })),
  { key: 'for this job', title: 'Change it for this job…', apart: true },
  { key: 'all styles', title: 'All house styles' },
]);
async function onStyle(key: string): Promise<void> {
  if (key === 'for this job') dialogs.open = 'style';
  else if (key === 'all styles') await router.push({ name: 'styles' });
  else
    try {
      await job.useStyle(key);
    } catch (error) {
      messages.notice = sentence(error);
    }
}
</script>

<template>
  <header class="head page-head">
    <RouterLink :to="{ name: 'jobs' }" class="head-home" title="All jobs"
      ><img src="/icon.svg" alt="All jobs" width="34" height="34"
    /></RouterLink>
    <div class="head-title grow">
      <h1 class="truncated" dir="auto" :data-tip="job.job?.title">{{ job.job?.title ?? 'Fenwix' }}</h1>
      <p class="truncated fine-print">{{ under }}</p>
    </div>
    <template v-if="job.job && track.track">
      <span class="head-box truncated small"
        ><b>{{ languageName(track.track.language) }}</b> {{ track.track.name }}</span
      >
      <MenuButton
        hover
        on-header
        menu-name="House style"
        :entries="entries"
        :selected="job.job.style.id"
        @select="onStyle"
      >
        House style <b>{{ job.job.style.name }}{{ aside }}</b> · {{ job.job.style.reading.speed.limit }} cps
        <ChevronDown :size="14" aria-hidden="true" />
      </MenuButton>
      <SavedState />
      <span class="visually-hidden" role="status"
        >{{ findings.count }} {{ findings.count === 1 ? 'finding' : 'findings' }}</span
      >
      <IconButton on-header name="Undo" :keys="keyOf('undo')" :disabled="!track.canUndo" @click="track.undo()">
        <Undo2 :size="16" aria-hidden="true" />
      </IconButton>
      <IconButton on-header name="Redo" :keys="keyOf('redo')" :disabled="!track.canRedo" @click="track.redo()">
        <Redo2 :size="16" aria-hidden="true" />
      </IconButton>
      <Button ghost size="small" @click="dialogs.open = 'finder'">
        Find a command <KeyHint command="find-command" />
      </Button>
    </template>
    <span v-else class="grow"></span>
    <ThemeButton />
  </header>
</template>

<style scoped>
.head-title h1 {
  line-height: 19px;
}
.head-title p {
  color: var(--header-soft);
  line-height: 17px;
}
.head-box {
  max-width: 220px;
  padding: 2px 10px;
  border: 1px solid var(--header-rule);
  border-radius: 4px;
}
@media (max-width: 900px) {
  .head {
    flex-wrap: wrap;
    height: auto;
    padding: 6px 12px;
    row-gap: 6px;
  }
  .head-title {
    flex-basis: calc(100% - 70px);
  }
}
</style>

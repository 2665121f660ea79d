<script setup lang="ts">
import { FileText, Film, Trash2, Volume2 } from '@lucide/vue';
import { computed } from 'vue';
import { urlOf } from '../../../core/contract/contract.ts';
import { fairCopyOf, type JobSummary } from '../../../core/job/job.ts';
import { lengthInWords } from '../../../core/timing/clock/clock.ts';
import { isRawDraft, languageName, proofedShare } from '../../ui/describe/jobs.ts';
import RowButton from '../../ui/controls/RowButton.vue';

const props = defineProps<{ job: JobSummary }>();
defineEmits<{ remove: [] }>();
const share = computed(() => Math.floor(proofedShare(props.job) * 100));
const under = computed(() =>
  [
    props.job.series,
    props.job.recording?.length ? lengthInWords(props.job.recording.length) : 'no recording',
    languageName(props.job.language),
  ]
    .filter(Boolean)
    .join(' · '),
);
const picture = computed(() => {
  const { recording } = props.job;
  return recording?.poster ? urlOf('GET /api/recordings/:hash/poster', { params: { hash: recording.hash } }) : null;
});
const stands = computed(() => {
  const { recording } = props.job;
  return recording ? (recording.width ? Film : Volume2) : FileText;
});
const handed = computed(() => {
  const { held } = props.job;
  if (held.length === 0) return { sign: '○', text: 'nowhere', tone: 'soft' };
  if (held.some((h) => h.state === 'refused')) return { sign: '▲', text: 'refused', tone: 'bad' };
  if (held.some((h) => h.behind)) return { sign: '◐', text: 'behind', tone: 'warn' };
  return held.every((h) => h.state === 'live')
    ? { sign: '●', text: 'live', tone: 'good' }
    : { sign: '◌', text: 'being processed', tone: 'soft' };
});
const captions = computed(() => fairCopyOf(props.job)?.captions ?? 0);
</script>

<template>
  <div class="job ruled row" role="listitem">
    <RouterLink class="row-link row wide grow" :to="{ name: 'words', params: { job: job.id } }">
      <img v-if="picture" class="row-picture" :src="picture" alt="" />
      <span v-else class="row-picture row-sound"><component :is="stands" :size="24" aria-hidden="true" /></span>
      <span class="stack close grow"
        ><b class="row-title" dir="auto">{{ job.title }}</b
        ><span class="soft">{{ under }}</span></span
      >
    </RouterLink>
    <span class="row-figure figures">{{ captions }}<small class="block fine-print soft">captions</small></span>
    <span class="row-figure figures">{{ share }} %<small class="block fine-print soft">proofed</small></span>
    <span v-if="isRawDraft(job)" class="row-figure warn"
      >raw draft<small class="block fine-print soft">uncorrected</small></span
    >
    <span v-else class="row-figure figures" :class="{ bad: (job.mustFindings ?? 0) > 0 }"
      >{{ job.mustFindings ?? '·' }}<small class="block fine-print soft">findings</small></span
    >
    <span class="row-figure" :class="handed.tone"
      ><span aria-hidden="true">{{ handed.sign }}</span> {{ handed.text
      }}<small class="block fine-print soft">handed over</small></span
    >
    <span class="row-figure row-style"
      >{{ job.style.name }}<small class="block fine-print soft">house style</small></span
    >
    <RowButton
      class="quiet row-delete"
      :aria-label="`Delete ${job.title}`"
      :data-tip="`Delete ${job.title}`"
      @click="$emit('remove')"
    >
      <Trash2 :size="16" aria-hidden="true" />
    </RowButton>
  </div>
</template>

<style scoped>
.job {
  position: absolute;
  width: 100%;
  min-height: 97px;
  gap: 22px;
  padding: 12px 4px;
}
.row-link {
  color: var(--ink);
  text-decoration: none;
}
.row-link:hover b {
  color: var(--reed);
}
.row-picture {
  flex: none;
  width: 128px;
  height: 72px;
  background: var(--screen);
  object-fit: contain;
}
.row-sound {
  display: grid;
  place-items: center;
  color: var(--screen-ink);
}
.row-title {
  font-size: var(--size-read);
  line-height: 1.3;
  overflow-wrap: anywhere;
}
/* The figures go under the title. */
@media (max-width: 900px) {
  .job {
    flex-wrap: wrap;
    gap: 8px 22px;
  }
  .row-link {
    flex-basis: 100%;
  }
}
.row-figure {
  width: 80px;
  text-align: right;
}
.row-delete {
  width: auto;
}
.row-style {
  width: 104px;
}
</style>

<script setup lang="ts">
import { FileText, Trash2, Volume2 } from '@lucide/vue';
import { computed, onMounted, shallowRef } from 'vue';
import { lengthInWords } from '../../core/time/clock.ts';
import { ask } from '../api/client.ts';
import { fairCopyOf, type Job, type Standing } from '../../core/job/job.ts';
import { languageName, proofedShare } from './describe.ts';

const props = defineProps<{ job: Job }>();
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
const picture = computed(() =>
  props.job.recording?.width ? `/api/recordings/${props.job.recording.hash}/file#t=8` : null,
);
const standing = shallowRef<Standing | null>(null);
const handed = computed(() => {
  const held = standing.value?.held ?? [];
  if (held.length === 0) return { sign: '○', text: 'nowhere', tone: 'soft' };
  if (held.some((h) => h.behind)) return { sign: '◐', text: 'behind', tone: 'sun' };
  return held.every((h) => h.state === 'live')
    ? { sign: '●', text: 'live', tone: 'reed' }
    : { sign: '◌', text: 'on its way', tone: 'soft' };
});
onMounted(async () => {
  // The row is complete without it; a server that went away is said by the page itself.
  standing.value = await ask<Standing>('GET', `/jobs/${props.job.id}/standing`).catch(() => null);
});
const captions = computed(() => fairCopyOf(props.job)?.captions ?? 0);
</script>

<template>
  <li class="row">
    <RouterLink class="row-link" :to="{ name: 'words', params: { job: job.id } }">
      <video
        v-if="picture"
        class="row-picture"
        :src="picture"
        preload="metadata"
        muted
        tabindex="-1"
        aria-hidden="true"
      ></video>
      <span v-else class="row-picture row-sound"
        ><component :is="job.recording ? Volume2 : FileText" :size="24" aria-hidden="true"
      /></span>
      <span class="row-title"
        ><b>{{ job.title }}</b
        ><span class="soft">{{ under }}</span></span
      >
    </RouterLink>
    <span class="row-figure figures">{{ captions }}<small>captions</small></span>
    <span class="row-figure figures">{{ share }} %<small>proofed</small></span>
    <span class="row-figure figures" :class="{ alarm: (standing?.findings ?? 0) > 0 }"
      >{{ standing?.findings ?? '·' }}<small>findings</small></span
    >
    <span class="row-figure" :class="handed.tone"
      ><span aria-hidden="true">{{ handed.sign }}</span> {{ handed.text }}<small>handed over</small></span
    >
    <span class="row-figure row-style">{{ job.style.name }}<small>house style</small></span>
    <button
      type="button"
      class="plain-button"
      :aria-label="`Delete ${job.title}`"
      title="Delete"
      @click="$emit('remove')"
    >
      <Trash2 :size="16" aria-hidden="true" />
    </button>
  </li>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 22px;
  padding: 12px 4px;
  border-bottom: 1px solid var(--rule);
}
.row-link {
  display: flex;
  flex: 1;
  align-items: center;
  gap: 16px;
  min-width: 0;
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
  background: #0a1212;
  object-fit: contain;
}
.row-sound {
  display: grid;
  place-items: center;
  color: #a3b7b0;
}
.row-title {
  display: flex;
  flex-direction: column;
}
.row-title b {
  font-size: 17px;
}
.row-figure {
  width: 80px;
  text-align: right;
}
.alarm {
  color: var(--alarm);
}
.sun {
  color: var(--sun-text);
}
.reed {
  color: var(--reed);
}
.row-style {
  width: 104px;
}
small {
  display: block;
  color: var(--soft);
  font: 13px var(--read);
}
</style>

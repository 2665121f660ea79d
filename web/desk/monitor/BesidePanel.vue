<script setup lang="ts">
import { X } from '@lucide/vue';
import { computed } from 'vue';
import { onScreenWithin, type Caption } from '../../../core/model/caption.ts';
import IconButton from '../../ui/controls/IconButton.vue';
import { languageName } from '../../ui/describe/jobs.ts';
import { useBeside } from '../../data/tracks/beside.ts';
import { useTimes } from '../../data/tracks/times.ts';

/** What another track of the job has at the time of a caption. */
const props = defineProps<{ caption: Caption }>();
const beside = useBeside();
const times = useTimes();
const there = computed(
  () => beside.captions && onScreenWithin(beside.captions, props.caption.start, props.caption.end),
);
</script>

<template>
  <section v-if="beside.shown" class="beside ruled-above" aria-label="The track beside this one">
    <p class="row">
      <b>{{ languageName(beside.shown.language) }}</b>
      <span class="grow truncated soft small" dir="auto">{{ beside.shown.name }}</span>
      <IconButton name="Show no track beside this one" @click="beside.choose(null)"><X :size="15" /></IconButton>
    </p>
    <p v-if="beside.trouble" class="bad small" role="alert">{{ beside.trouble }}</p>
    <p v-else-if="!there" class="soft small" role="status">Reading it…</p>
    <ul v-else class="plain-list scrolls beside-list">
      <li v-for="c in there" :key="c.id" class="beside-row">
        <span class="figures small soft">{{ times.clock(c.start) }}</span>
        <span class="beside-text" dir="auto" :lang="beside.shown.language">{{ c.text }}</span>
      </li>
      <li v-if="there.length === 0" class="soft small">It has nothing at the time of this caption.</li>
    </ul>
  </section>
</template>

<style scoped>
.beside {
  padding: 8px 12px;
}
.beside p {
  margin: 0;
}
/* Room for two captions of two lines: what is below stays where it is while the caption changes. */
.beside-list {
  height: 104px;
}
.beside-row {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 8px;
  padding: 3px 0;
}
.beside-text {
  white-space: pre-line;
}
</style>

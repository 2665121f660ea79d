<script setup lang="ts">
import { computed } from 'vue';
import { keptDeleted, type DeletedTrack } from '../../../core/job/job.ts';
import TextButton from '../../ui/controls/TextButton.vue';
import { languageName } from '../../ui/describe/jobs.ts';

/** Tracks that were deleted, each with how long it can still be brought back. */
const props = defineProps<{ tracks: readonly DeletedTrack[] }>();
defineEmits<{ restore: [track: DeletedTrack] }>();
const day = 24 * 3600 * 1000;
const rows = computed(() =>
  props.tracks.map((track) => {
    const days = Math.max(1, Math.ceil((track.deleted + keptDeleted - Date.now()) / day));
    return { track, left: days === 1 ? 'kept for one more day' : `kept for ${String(days)} more days` };
  }),
);
</script>

<template>
  <section v-if="rows.length > 0" class="stack" aria-labelledby="deleted-title">
    <h3 id="deleted-title">Deleted tracks</h3>
    <ul class="plain-list">
      <li v-for="{ track, left } in rows" :key="track.id" class="line-row row">
        <b>{{ languageName(track.language) }}</b>
        <span class="grow truncated" dir="auto">{{ track.name }}</span>
        <span class="soft small">{{ left }}</span>
        <TextButton small @click="$emit('restore', track)">Bring it back</TextButton>
      </li>
    </ul>
  </section>
</template>

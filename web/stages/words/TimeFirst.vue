<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { useJob } from '../../data/jobs/job.ts';
import { useTrack } from '../../data/tracks/track.ts';
import NoteBox from '../../ui/controls/NoteBox.vue';
import TextButton from '../../ui/controls/TextButton.vue';

/** Over the words of a job that has none yet: times may as well come first. */
const job = useJob();
const track = useTrack();
const router = useRouter();
/** The one caption there is, as long as nothing is written in it. */
const blank = computed(() => {
  const [only, ...others] = track.captions;
  return only && others.length === 0 && only.timing === 'provisional' && only.text === '' ? only : null;
});
function timeFirst(): void {
  if (blank.value) track.change({ type: 'remove', ids: [blank.value.id] });
  void router.push({ name: 'tape' });
}
</script>

<template>
  <NoteBox v-if="blank && track.editable && job.recordingUrl">
    Write what is said, and press Enter for the next caption. Times come afterwards, by listening or by marks.
    <template #actions>
      <TextButton tip="On the tape, where captions are made from the sound" @click="timeFirst()">Time first</TextButton>
    </template>
  </NoteBox>
</template>

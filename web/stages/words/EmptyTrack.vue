<script setup lang="ts">
import EmptyPage from '../../ui/controls/EmptyPage.vue';
import { caption } from '../../../core/model/caption.ts';
import { newId } from '../../data/sync/ids.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useTrack } from '../../data/tracks/track.ts';
import LinkButton from '../../ui/controls/LinkButton.vue';
import TextButton from '../../ui/controls/TextButton.vue';

/** What to do with a track that holds nothing. */
const job = useJob();
const track = useTrack();
const cursor = useCursor();
const playback = usePlayback();

/** How long a first caption is there until it is timed, in ms. */
const first = 2000;

/** Where there is a recording the words come first, and their times when they are listened for or marked on the tape. */
function begin(): void {
  const id = newId();
  const start = Math.round(playback.time);
  const timing = job.recordingUrl ? 'provisional' : 'set';
  track.change({ type: 'insert', captions: [caption({ id, start, end: start + first, text: '', timing })] });
  cursor.write(id);
}
</script>

<template>
  <EmptyPage title="No captions yet">
    Import a caption file, a machine draft or a transcript: drop it anywhere here, or choose it on Tracks.<template
      v-if="track.editable"
    >
      Or write: pasted lines become captions of their own.</template
    >
    <template #actions>
      <LinkButton main :to="{ name: 'tracks' }">Import a file</LinkButton>
      <TextButton v-if="track.editable" @click="begin()">Write the first caption</TextButton>
    </template>
  </EmptyPage>
</template>

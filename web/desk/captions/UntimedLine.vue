<script setup lang="ts">
import { computed } from 'vue';
import { useTrack } from '../../data/tracks/track.ts';
import NoteBox from '../../ui/controls/NoteBox.vue';
import { untimedInWords } from './untimed.ts';
import UntimedWays from './UntimedWays.vue';

/** Over the stage, wherever one is: how many captions are not timed, and what can be done about all of them. */
const track = useTrack();
const says = computed(() => untimedInWords(track.captions));
</script>

<template>
  <NoteBox v-if="says !== null && track.editable" class="untimed-line">
    {{ says }}
    <template #actions><UntimedWays main /></template>
  </NoteBox>
</template>

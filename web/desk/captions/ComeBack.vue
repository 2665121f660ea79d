<script setup lang="ts">
import type { Caption } from '../../../core/model/caption.ts';
import TextButton from '../../ui/controls/TextButton.vue';
import { useTrack } from '../../data/tracks/track.ts';
import ComeBackNote from './ComeBackNote.vue';
import { useComeBack } from './use-come-back.ts';

/** What a caption that is marked was left for, and that it is done. */
defineProps<{ caption: Caption }>();
const comeBack = useComeBack();
const track = useTrack();
</script>

<template>
  <TextButton :disabled="!track.editable" @click="comeBack.done(caption)">Done</TextButton>
  <ComeBackNote class="come-back-note" :caption="caption" />
</template>

<style scoped>
.come-back-note {
  flex: 1 1 120px;
}
</style>

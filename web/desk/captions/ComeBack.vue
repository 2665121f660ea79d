<script setup lang="ts">
import type { Caption } from '../../../core/model/caption.ts';
import TextButton from '../../ui/controls/TextButton.vue';
import TextField from '../../ui/controls/TextField.vue';
import { useTrack } from '../../data/tracks/track.ts';
import { useComeBack } from './use-come-back.ts';

/** What a caption that is marked was left for, and that it is done. */
defineProps<{ caption: Caption }>();
const comeBack = useComeBack();
const track = useTrack();
</script>

<template>
  <TextButton :disabled="!track.editable" @click="comeBack.done(caption)">Done</TextButton>
  <TextField
    class="come-back-note"
    :model-value="caption.comeBack ?? ''"
    aria-label="What to come back for"
    placeholder="What for"
    :disabled="!track.editable"
    @update:model-value="comeBack.write(caption, $event)"
  />
</template>

<style scoped>
.come-back-note {
  flex: 1 1 120px;
}
</style>

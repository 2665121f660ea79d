<script setup lang="ts">
import type { Caption } from '../../../core/model/caption.ts';
import TextField from '../../ui/controls/TextField.vue';
import { useTrack } from '../../data/tracks/track.ts';
import { useComeBack } from './use-come-back.ts';

/** What a caption that is marked was left for, kept as it is typed. */
defineProps<{ caption: Caption }>();
const comeBack = useComeBack();
const track = useTrack();
</script>

<template>
  <TextField
    small
    label="What to come back for"
    placeholder="What for"
    :disabled="!track.editable"
    :model-value="caption.comeBack ?? ''"
    @update:model-value="comeBack.write(caption, $event)"
  />
</template>

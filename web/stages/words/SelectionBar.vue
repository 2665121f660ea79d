<script setup lang="ts">
import { computed } from 'vue';
import { useRetime } from '../../move-times/bar/retime.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useSeveral } from '../../desk/captions/use-several.ts';
import TextButton from '../../ui/controls/TextButton.vue';

const selection = useSelection();
const track = useTrack();
const dialogs = useDialogs();
const retime = useRetime();
const several = useSeveral();
const many = computed(() => several.captions.value.length);
const allProofed = computed(() => several.captions.value.every((c) => c.proofed));
</script>

<template>
  <div
    v-if="selection.places && track.editable"
    class="foot-bar floating"
    role="toolbar"
    aria-label="The selected captions"
  >
    <p class="selected-count" role="status">
      <b>{{ many }} captions</b>
    </p>
    <TextButton @click="several.proof()">
      {{ allProofed ? 'Not proofed' : 'Proofed' }}
    </TextButton>
    <TextButton @click="dialogs.open = 'label'">Label…</TextButton>
    <TextButton @click="several.join()">Join</TextButton>
    <TextButton @click="retime.open('shift')">Shift…</TextButton>
    <TextButton @click="dialogs.open = 'reflow'">Reflow…</TextButton>
    <TextButton @click="several.remove()">Delete</TextButton>
    <TextButton class="set-apart" danger @click="dialogs.open = 'keep-only'"> Keep only… </TextButton>
  </div>
</template>

<style scoped>
.selected-count {
  margin-inline-end: auto;
  white-space: nowrap;
}
</style>

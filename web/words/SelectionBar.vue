<script setup lang="ts">
import { computed } from 'vue';
import { useDialogs } from '../stores/dialogs.ts';
import { useSelection } from '../stores/selection.ts';
import { useTrack } from '../stores/track.ts';
import { useSeveral } from '../captions/use-several.ts';

const selection = useSelection();
const track = useTrack();
const dialogs = useDialogs();
const several = useSeveral();
const many = computed(() => several.captions.value.length);
const allProofed = computed(() => several.captions.value.every((c) => c.proofed));
</script>

<template>
  <div v-if="selection.places && track.editable" class="foot-bar" role="toolbar" aria-label="The selected captions">
    <p role="status">
      <b>{{ many }} captions</b>
    </p>
    <button type="button" class="plain-button" @click="several.proof()">
      {{ allProofed ? 'Not proofed' : 'Proofed' }}
    </button>
    <button type="button" class="plain-button" @click="dialogs.open = 'label'">Label…</button>
    <button type="button" class="plain-button" @click="several.join()">Join</button>
    <button type="button" class="plain-button" @click="dialogs.open = 'shift'">Shift…</button>
    <button type="button" class="plain-button" @click="dialogs.open = 'reflow'">Lay out anew…</button>
    <button type="button" class="plain-button" @click="several.remove()">Delete</button>
    <button type="button" class="plain-button" @click="several.keepOnly()">Keep only these</button>
  </div>
</template>

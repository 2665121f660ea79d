<script setup lang="ts">
import { Flag } from '@lucide/vue';
import { nextTick, onMounted, useTemplateRef } from 'vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useTrack } from '../../data/tracks/track.ts';
import ComeBackNote from '../captions/ComeBackNote.vue';
import { useWatching } from './watching.ts';

/** Under the large picture: marking what to come back to, what for, and leaving. */
const watching = useWatching();
const track = useTrack();
const bar = useTemplateRef<HTMLElement>('bar');
const focusMark = (): void => bar.value?.querySelector('button')?.focus();
onMounted(() => void nextTick(focusMark));
function goOn(): void {
  focusMark();
  watching.goOn();
}
</script>

<template>
  <div ref="bar" class="watch-bar row ruled-above">
    <TextButton main :disabled="!track.editable" :tip="track.whyReadOnly ?? undefined" @click="watching.mark()">
      <Flag :size="15" aria-hidden="true" />Mark to come back to<kbd>M</kbd>
    </TextButton>
    <template v-if="watching.last">
      <span class="watch-text one-line" dir="auto" role="status">{{ watching.last.text }}</span>
      <ComeBackNote
        class="watch-note"
        placeholder="What for (Enter plays on)"
        :caption="watching.last"
        @focus="watching.hold()"
        @keydown.enter="goOn()"
      />
    </template>
    <span v-else class="small soft grow" role="status">{{
      watching.why ?? '← → one step · ↑ ↓ one caption · Space plays and pauses'
    }}</span>
    <span v-if="watching.count > 0" class="figures small">{{ watching.count }} marked</span>
    <TextButton @click="watching.leave()">Leave<kbd>Esc</kbd></TextButton>
  </div>
</template>

<style scoped>
.watch-bar {
  gap: 10px;
  flex: none;
  min-height: 52px;
  padding: 6px 12px;
}
.watch-text {
  flex: 0 1 auto;
  min-width: 0;
  max-width: 40%;
}
.watch-note {
  flex: 1 1 160px;
  min-width: 120px;
}
kbd {
  margin-left: 4px;
}
</style>

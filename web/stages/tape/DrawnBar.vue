<script setup lang="ts">
import { computed } from 'vue';
import { X } from '@lucide/vue';
import { seconds } from '../../../core/timing/clock/clock.ts';
import IconButton from '../../ui/controls/IconButton.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useCuts } from '../../move-times/cuts/cuts.ts';
import { useRetime } from '../../move-times/bar/retime.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useDrawn } from './drawn.ts';
import { useTapeView } from './tape-view.ts';

/** What can be done with the stretch that was drawn, at its foot. */
const drawn = useDrawn();
const view = useTapeView();
const track = useTrack();
const retime = useRetime();
const cuts = useCuts();
/** Px that the bar needs at the foot of the page. */
const room = 50;
function cutOut(): void {
  const stretch = drawn.taken();
  if (!stretch) return;
  retime.open('cuts');
  cuts.add(stretch);
}
const y = computed(() => (drawn.stretch ? Math.max(0, Math.min(view.yOf(drawn.stretch.end), view.height - room)) : 0));
</script>

<template>
  <div
    v-if="drawn.stretch"
    class="drawn-bar floating row"
    role="toolbar"
    aria-label="The drawn stretch"
    :style="{ transform: `translateY(${y}px)` }"
    @pointerdown.stop
  >
    <span class="figures small" role="status">{{ seconds(drawn.stretch.end - drawn.stretch.start) }}</span>
    <TextButton main :disabled="!track.editable" @click="drawn.insert()">New caption</TextButton>
    <TextButton @click="drawn.hear()">Hear it</TextButton>
    <TextButton tip="Outside it, no finding asks for captions" @click="drawn.captionOnly()">
      Caption only this part
    </TextButton>
    <TextButton
      tip="It is not in the recording any more: captions follow"
      :disabled="!track.editable"
      @click="cutOut()"
    >
      Cut out…
    </TextButton>
    <IconButton name="Nothing is drawn" @click="drawn.clear()"><X :size="14" aria-hidden="true" /></IconButton>
  </div>
</template>

<style scoped>
.drawn-bar {
  position: absolute;
  top: 6px;
  left: var(--blocks);
  z-index: 4;
  padding: 5px 10px;
}
</style>

<script setup lang="ts">
import { computed } from 'vue';
import { useTrack } from '../../data/tracks/track.ts';

const track = useTrack();
const changes = computed(() => `${String(track.waiting)} ${track.waiting === 1 ? 'change' : 'changes'}`);
/** Why the server has it not yet; what to do about it stands under the header. */
const standing = computed(() => {
  switch (track.holdUp?.code) {
    case undefined:
      return 'Server away';
    case 'disk-full':
      return 'Disk full';
    case 'busy':
      return 'Server busy';
    case 'too-many':
      return 'Too many requests';
    default:
      return 'Server in trouble';
  }
});
const shown = computed(() => {
  switch (track.savedState) {
    case 'saved':
      return { sign: '●', text: 'All changes saved', tone: 'good' };
    case 'saving':
      return { sign: '○', text: 'Saving…', tone: 'good' };
    case 'in this browser':
      return { sign: '◐', text: `${standing.value}: ${changes.value} saved in this browser`, tone: 'warn' };
    case 'other history':
      return { sign: '▲', text: 'Not sent', tone: 'bad' };
    case 'track missing':
      return { sign: '▲', text: 'Not on the server any more', tone: 'bad' };
    case 'on this page only':
      return { sign: '▲', text: `${changes.value} not saved: leave this page open`, tone: 'bad' };
  }
  throw new Error('There is no other state.');
});
</script>

<template>
  <span class="saved-state one-line small" :class="shown.tone" role="status"
    ><span aria-hidden="true">{{ shown.sign }}</span> {{ shown.text }}</span
  >
</template>

<style scoped>
.saved-state {
  color: var(--header-good);
}
.saved-state.warn {
  color: var(--header-warn);
}
.saved-state.bad {
  color: var(--header-bad);
  font-weight: 700;
}
</style>

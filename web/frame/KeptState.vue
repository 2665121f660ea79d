<script setup lang="ts">
import { computed } from 'vue';
import { useTrack } from '../stores/track.ts';

const track = useTrack();
const changes = computed(() => `${String(track.waiting)} ${track.waiting === 1 ? 'change' : 'changes'}`);
const shown = computed(() => {
  switch (track.keeping) {
    case 'kept':
      return { sign: '●', text: 'All changes saved', tone: 'good' };
    case 'keeping':
      return { sign: '○', text: 'Saving…', tone: 'good' };
    case 'here':
      return { sign: '◐', text: `Server away: ${changes.value} saved in this browser`, tone: 'warn' };
    case 'apart':
      return { sign: '▲', text: 'Not sent', tone: 'bad' };
    case 'nowhere':
      return { sign: '▲', text: `${changes.value} not saved: leave this page open`, tone: 'bad' };
  }
  throw new Error('There is no other state.');
});
</script>

<template>
  <span class="kept" :class="shown.tone" role="status"
    ><span aria-hidden="true">{{ shown.sign }}</span> {{ shown.text }}</span
  >
</template>

<style scoped>
.kept {
  color: #9fd6bd;
  font-size: 14px;
  white-space: nowrap;
}
.kept.warn {
  color: #f0c566;
}
.kept.bad {
  color: #ff9d84;
  font-weight: 700;
}
</style>

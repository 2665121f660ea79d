<script setup lang="ts">
import { useTrack } from '../stores/track.ts';

const track = useTrack();
</script>

<template>
  <div v-if="track.notice" class="notice" role="status">
    <span>{{ track.notice }}</span>
    <button class="plain-button" type="button" @click="track.notice = null">All right</button>
  </div>
</template>

<style scoped>
.notice {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  padding: 7px 14px;
  border-bottom: 1px solid var(--rule);
  background: var(--sun-wash);
  color: var(--ink);
}
</style>

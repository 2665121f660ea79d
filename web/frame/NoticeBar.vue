<script setup lang="ts">
import { useTrack } from '../stores/track.ts';

const track = useTrack();
</script>

<template>
  <div v-if="track.notice" class="notice" role="status">
    <span>{{ track.notice }}</span>
    <button class="plain-button" type="button" @click="track.notice = null">Dismiss</button>
  </div>
  <!-- Over the picture and not above the text, which stays where the eye is. -->
  <div class="remark-place" role="status">
    <div v-if="track.remark" class="remark">
      <span>{{ track.remark }}</span>
      <button class="plain-button" type="button" @click="track.remark = null">Dismiss</button>
    </div>
  </div>
</template>

<style scoped>
.notice,
.remark {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  padding: 7px 14px;
  background: var(--sun-wash);
  color: var(--ink);
}
.notice {
  border-bottom: 1px solid var(--rule);
}
.remark-place {
  position: relative;
  z-index: 6;
}
.remark {
  position: absolute;
  top: 12px;
  right: 12px;
  box-sizing: border-box;
  width: 378px;
  max-width: calc(100vw - 24px);
  border: 1px solid var(--ink);
}
</style>

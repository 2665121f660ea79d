<script setup lang="ts">
import { Clock } from '@lucide/vue';
import { computed } from 'vue';
import { useTrack } from '../../data/tracks/track.ts';
import MenuButton from '../../ui/controls/MenuButton.vue';
import { useRetime } from './retime.ts';
import { toolDetails, toolTitles, type ToolName } from './tools.ts';

/** Every way of moving times, in one place in every stage. */
const retime = useRetime();
const track = useTrack();
const entries = computed(() =>
  toolTitles.map(([key, title]) => ({ key, title, detail: toolDetails[key], disabled: !track.editable })),
);
</script>

<template>
  <MenuButton
    class="times-menu"
    :entries="entries"
    menu-name="Times of many captions"
    @select="(key) => retime.open(key as ToolName)"
  >
    <Clock :size="20" :stroke-width="1.8" aria-hidden="true" />
    <span>Times</span>
  </MenuButton>
</template>

<style scoped>
.times-menu :deep(.ant-btn) {
  display: flex;
  flex-direction: column;
  gap: 5px;
  align-items: center;
  justify-content: center;
  width: 71px;
  height: 60px;
  padding: 0;
  border: 0;
  background: none;
  box-shadow: none;
  color: var(--soft);
  font-size: var(--size-fine);
}
.times-menu :deep(.ant-btn:hover) {
  color: var(--ink);
}
</style>

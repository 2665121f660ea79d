<script setup lang="ts">
import { Volume1, Volume2, VolumeX } from '@lucide/vue';
import { computed } from 'vue';
import { usePreferences } from '../../data/preferences/preferences.ts';
import MenuButton from '../../ui/controls/MenuButton.vue';

/** How loud the recording is played. */
const preferences = usePreferences();
const steps = [100, 75, 50, 25, 10, 0] as const;
const entries = steps.map((percent) => ({
  key: String(percent),
  title: percent === 0 ? 'Silent' : `${String(percent)} %`,
}));
const percent = computed(() => Math.round(preferences.volume * 100));
const icon = computed(() => (percent.value === 0 ? VolumeX : percent.value < 50 ? Volume1 : Volume2));
</script>

<template>
  <MenuButton
    class="volume-menu"
    :entries="entries"
    :selected="String(percent)"
    :label="percent === 0 ? 'Volume: silent' : `Volume: ${percent} %`"
    menu-name="Volume"
    @select="(key) => (preferences.volume = Number(key) / 100)"
  >
    <component :is="icon" :size="16" aria-hidden="true" />
  </MenuButton>
</template>

<style scoped>
.volume-menu :deep(.ant-btn) {
  min-width: 24px;
  padding-inline: 3px;
  border-color: transparent;
  background: none;
  box-shadow: none;
}
</style>

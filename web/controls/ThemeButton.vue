<script setup lang="ts">
import { Moon, Sun } from '@lucide/vue';
import { computed } from 'vue';
import { usePreferences } from '../stores/preferences.ts';

const preferences = usePreferences();
const other = computed(() => (preferences.dark ? 'light' : 'dark'));
</script>

<template>
  <button
    type="button"
    class="theme-button"
    :aria-label="`To the ${other} theme`"
    :title="`To the ${other} theme`"
    @click="preferences.theme = other"
  >
    <component :is="preferences.dark ? Sun : Moon" :size="16" aria-hidden="true" />
  </button>
</template>

<style scoped>
.theme-button {
  display: grid;
  place-items: center;
  flex: none;
  width: 38px;
  height: 28px;
  border: 1px solid var(--header-rule);
  border-radius: 4px;
  background: none;
  color: var(--header-ink);
  cursor: pointer;
}
.theme-button:hover {
  background: rgb(255 255 255 / 8%);
}
</style>

<script setup lang="ts">
import { Moon, Sun } from '@lucide/vue';
import { usePreferences } from '../stores/preferences.ts';

defineProps<{ title: string }>();
const preferences = usePreferences();
</script>

<template>
  <header class="page-head">
    <RouterLink :to="{ name: 'jobs' }" title="All jobs"
      ><img src="/icon.svg" alt="All jobs" width="34" height="34"
    /></RouterLink>
    <h1>{{ title }}</h1>
    <button
      type="button"
      :aria-label="preferences.dark ? 'Light theme' : 'Dark theme'"
      @click="preferences.theme = preferences.dark ? 'light' : 'dark'"
    >
      <component :is="preferences.dark ? Sun : Moon" :size="16" aria-hidden="true" />
    </button>
  </header>
</template>

<style scoped>
.page-head {
  display: flex;
  align-items: center;
  gap: 26px;
  height: 48px;
  padding: 0 14px 0 19px;
  background: var(--header);
  color: var(--header-ink);
}
a {
  line-height: 0;
}
h1 {
  flex: 1;
  font-size: 15px;
}
button {
  display: grid;
  place-items: center;
  width: 32px;
  height: 28px;
  border: 1px solid var(--header-rule);
  border-radius: 4px;
  background: none;
  color: inherit;
  cursor: pointer;
}
</style>

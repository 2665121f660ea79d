<script setup lang="ts">
import ThemeButton from './ThemeButton.vue';

defineProps<{ title: string }>();
</script>

<template>
  <header class="page-head">
    <RouterLink :to="{ name: 'jobs' }" title="All jobs"
      ><img src="/icon.svg" alt="All jobs" width="34" height="34"
    /></RouterLink>
    <h1>{{ title }}</h1>
    <ThemeButton />
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
</style>

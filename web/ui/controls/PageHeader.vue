<script setup lang="ts">
import ThemeButton from './ThemeButton.vue';

defineProps<{ title: string }>();
</script>

<template>
  <header class="page-head">
    <RouterLink :to="{ name: 'jobs' }" title="All jobs"
      ><img src="/icon.svg" alt="All jobs" width="34" height="34"
    /></RouterLink>
    <h1 class="grow truncated">{{ title }}</h1>
    <ThemeButton />
  </header>
</template>

<script setup lang="ts">
defineProps<{ title: string; coming: string }>();
</script>

<template>
  <div class="stage-bar">
    <h2>{{ title }}</h2>
  </div>
  <p class="empty-page soft">{{ coming }}</p>
</template>

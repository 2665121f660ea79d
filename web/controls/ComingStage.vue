<script setup lang="ts">
defineProps<{ title: string; coming: string }>();
</script>

<template>
  <div class="stage-bar">
    <h2>{{ title }}</h2>
  </div>
  <p class="coming soft">{{ coming }}</p>
</template>

<style scoped>
.coming {
  max-width: 520px;
  margin: 60px auto;
  padding: 0 24px;
  font-size: 16px;
  text-align: center;
}
</style>

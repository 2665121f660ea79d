<script setup lang="ts">
import ComingStage from '../frame/ComingStage.vue';
</script>

<template>
  <ComingStage
    title="Tracks"
    coming="Here the job’s tracks will stand side by side: machine draft, fair copy, other languages, and their versions."
  />
</template>

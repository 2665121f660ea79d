<script setup lang="ts">
import ComingStage from '../controls/ComingStage.vue';
</script>

<template>
  <ComingStage
    title="Tape"
    coming="Here time will run down the page, with the sound beside the captions, so that edges can be dragged and heard."
  />
</template>

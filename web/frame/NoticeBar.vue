<script setup lang="ts">
import { useMessages } from '../stores/messages.ts';
import TextButton from '../controls/TextButton.vue';

const messages = useMessages();
</script>

<template>
  <div v-if="messages.notice" class="note row between" role="status">
    <span>{{ messages.notice }}</span>
    <TextButton @click="messages.notice = null">Dismiss</TextButton>
  </div>
  <!-- Over the picture and not above the text, which stays where the eye is. -->
  <div class="remark-place" role="status">
    <div v-if="messages.remark" class="remark floating note row between">
      <span>{{ messages.remark }}</span>
      <TextButton @click="messages.remark = null">Dismiss</TextButton>
    </div>
  </div>
</template>

<style scoped>
.remark-place {
  position: relative;
  z-index: 6;
}
.remark {
  position: absolute;
  top: 12px;
  right: 12px;
  width: 378px;
  max-width: calc(100vw - 24px);
}
</style>

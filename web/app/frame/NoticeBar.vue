<script setup lang="ts">
import { onBeforeUnmount, watch } from 'vue';
import NoteBox from '../../ui/controls/NoteBox.vue';
import { useMessages } from '../../data/messages/messages.ts';
import TextButton from '../../ui/controls/TextButton.vue';

const messages = useMessages();
/** What asks nothing goes by itself after so long, in ms; under the pointer or with the keyboard in it, it stays. */
const staysFor = 12_000;
let timer: ReturnType<typeof setTimeout> | undefined;
const stay = (): void => clearTimeout(timer);
function goLater(): void {
  stay();
  if (messages.remark !== null && messages.offers.length === 0)
    timer = setTimeout(() => (messages.remark = null), staysFor);
}
watch([() => messages.remark, () => messages.offers], goLater, { immediate: true });
onBeforeUnmount(stay);
</script>

<template>
  <NoteBox v-if="messages.notice">
    {{ messages.notice }}
    <template #actions><TextButton @click="messages.notice = null">Dismiss</TextButton></template>
  </NoteBox>
  <!-- Over the picture and not above the text, which stays where the eye is. -->
  <div
    class="remark-place"
    role="status"
    @pointerenter="stay"
    @pointerleave="goLater"
    @focusin="stay"
    @focusout="goLater"
  >
    <NoteBox v-if="messages.remark" class="remark" role="note">
      {{ messages.remark }}
      <template #actions>
        <TextButton v-for="offer in messages.offers" :key="offer.title" @click="messages.take(offer)">
          {{ offer.title }}
        </TextButton>
        <TextButton @click="messages.remark = null">Dismiss</TextButton>
      </template>
    </NoteBox>
  </div>
</template>

<style scoped>
/* Clear of the picture and of the text: over the foot of the monitor, above the skyline. */
.remark {
  position: fixed;
  z-index: 6;
  right: 12px;
  bottom: 96px;
  width: 378px;
  max-width: calc(100vw - 24px);
}
/* What is offered goes under what is said where the two have no room side by side. */
.remark.remark {
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 8px;
}
.remark > :deep(.ant-alert-content) {
  flex: 1 1 230px;
}
.remark > :deep(.ant-alert-action) {
  margin: 0;
}
</style>

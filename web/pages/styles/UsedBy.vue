<script setup lang="ts">
import { computed, ref } from 'vue';
import type { StyleUse } from '../../../core/job/job.ts';
import TextButton from '../../ui/controls/TextButton.vue';

const props = defineProps<{ uses: readonly StyleUse[] }>();
defineEmits<{ bringUp: [use: StyleUse] }>();
/** A short list is shown whole. */
const few = 3;
const whole = ref(false);
const shown = computed(() => (whole.value ? props.uses : props.uses.slice(0, few)));
</script>

<template>
  <span v-if="uses.length === 0" class="soft">no job</span>
  <ul v-else class="uses plain-list">
    <li v-for="use in shown" :key="use.job.id" class="stack close start">
      <RouterLink :to="{ name: 'checks', params: { job: use.job.id } }">{{ use.job.title }}</RouterLink>
      <span v-if="use.standing === 'changed'" class="fine-print soft">changed for this job</span>
      <template v-else-if="use.standing === 'earlier'">
        <span class="fine-print soft">version {{ use.style.version }}</span>
        <TextButton @click="$emit('bringUp', use)">Update</TextButton>
      </template>
    </li>
    <li v-if="uses.length > few && !whole">
      <TextButton @click="whole = true">{{ uses.length - few }} more</TextButton>
    </li>
  </ul>
</template>

<style scoped>
a {
  display: inline-flex;
  align-items: center;
  min-height: 24px;
}
</style>

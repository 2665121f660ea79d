<script setup lang="ts">
import Progress from 'ant-design-vue/es/progress';
import { computed } from 'vue';

/** How far something has come. Ant's has neither a name nor a value for ears. */
const props = defineProps<{
  label: string;
  /** 0 to 1. */
  share: number;
  small?: boolean;
}>();
const percent = computed(() => Math.floor(props.share * 100));
</script>

<template>
  <Progress
    :percent="percent"
    :size="small ? 'small' : 'default'"
    role="progressbar"
    :aria-label="label"
    aria-valuemin="0"
    aria-valuemax="100"
    :aria-valuenow="percent"
  />
</template>

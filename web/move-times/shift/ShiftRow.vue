<script setup lang="ts">
import { computed } from 'vue';
import TextField from '../../ui/controls/TextField.vue';
import { useShift } from './shift.ts';

/** By how much, in seconds or pictures. */
const shift = useShift();
const isWrong = computed(() => {
  const plan = shift.tool.plan([]);
  return plan !== null && 'fault' in plan;
});
</script>

<template>
  <div class="row">
    <label for="shift-by">Later by</label>
    <TextField
      id="shift-by"
      v-model="shift.typed"
      small
      class="shift-by figures"
      autocomplete="off"
      placeholder="0.4, or −1.2"
      :invalid="isWrong"
      aria-describedby="shift-said"
    />
    <span>s; a minus makes it earlier</span>
  </div>
</template>

<style scoped>
.shift-by {
  width: 110px;
}
</style>

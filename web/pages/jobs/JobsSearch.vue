<script setup lang="ts">
import { jobOrders, type JobOrder } from './job-orders.ts';
import SelectField from '../../ui/controls/SelectField.vue';
import TextField from '../../ui/controls/TextField.vue';

/** What the list of jobs is narrowed to, and its order. It comes once there is a list, so that the list is there first. */
const wanted = defineModel<string>('wanted', { required: true });
const order = defineModel<JobOrder>('order', { required: true });
</script>

<template>
  <TextField
    v-model="wanted"
    class="jobs-search"
    type="search"
    label="Search jobs"
    placeholder="Search by title or series"
  />
  <span class="soft" aria-hidden="true">Sort by</span>
  <SelectField v-model="order" label="Sort by" :options="jobOrders" large />
</template>

<style scoped>
.jobs-search {
  width: 260px;
}
</style>

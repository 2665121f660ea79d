<script setup lang="ts">
import { rateText, usualRates } from '../../../core/timing/clock/frames.ts';
import SelectField from '../../ui/controls/SelectField.vue';
import { useRate } from './rate.ts';

/** Which two frame rates. */
const rate = useRate();
const rates = usualRates.map((r) => ({ value: rateText(r), title: `${rateText(r)} fps` }));
</script>

<template>
  <div class="row">
    <span>timed for</span>
    <SelectField v-model="rate.from" label="The frame rate the times were made for" :options="rates" />
    <span>played at</span>
    <SelectField v-model="rate.to" label="The frame rate of the recording" :options="rates" />
  </div>
</template>

<script setup lang="ts">
import { computed } from 'vue';
import { fieldText, framesInTime, severityIn, type Field } from '../../../core/style/style-fields.ts';
import { usualRate } from '../../../core/timing/clock/frames.ts';
import type { HouseStyle } from '../../../core/style/style.ts';

const props = defineProps<{ house: HouseStyle; field: Field }>();
const severity = computed(() => severityIn(props.house, props.field));
const text = computed(() => fieldText(props.house, props.field));
const frames = computed(() => framesInTime(props.house, props.field, usualRate));
</script>

<template>
  <span class="row between" :class="{ soft: field.hasSeverity && severity === 'off' }">
    <template v-if="field.hasSeverity && severity === 'off'">off</template>
    <template v-else>
      <span v-if="text !== ''"
        >{{ text }}<span v-if="frames !== null" class="block fine-print soft">{{ frames }}</span></span
      >
      <span v-if="field.hasSeverity" class="value-weight fine-print" :class="{ soft: severity !== 'must' }"
        ><span aria-hidden="true">{{ severity === 'must' ? '▲' : '△' }}</span> {{ severity }}</span
      >
    </template>
  </span>
</template>

<style scoped>
.value-weight {
  margin-left: auto;
  white-space: nowrap;
}
</style>

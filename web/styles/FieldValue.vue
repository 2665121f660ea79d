<script setup lang="ts">
import { computed } from 'vue';
import { fieldText, severityIn, type Field } from '../../core/style/style-fields.ts';
import type { HouseStyle } from '../../core/style/style.ts';

const props = defineProps<{ house: HouseStyle; field: Field }>();
const severity = computed(() => severityIn(props.house, props.field));
const text = computed(() => fieldText(props.house, props.field));
</script>

<template>
  <span class="value" :class="field.hasSeverity ? severity : 'plain'">
    <template v-if="field.hasSeverity && severity === 'off'">off</template>
    <template v-else>
      <span v-if="text !== ''">{{ text }}</span>
      <span v-if="field.hasSeverity" class="value-weight"
        ><span aria-hidden="true">{{ severity === 'must' ? '▲' : '△' }}</span> {{ severity }}</span
      >
    </template>
  </span>
</template>

<style scoped>
.value {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.value.off {
  color: var(--soft);
}
.value-weight {
  margin-left: auto;
  color: var(--soft);
  font-size: 13px;
  white-space: nowrap;
}
.must .value-weight {
  color: var(--ink);
}
</style>

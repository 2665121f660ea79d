<script setup lang="ts">
import { computed } from 'vue';
import CheckField from '../../ui/controls/CheckField.vue';
import NumberField from '../../ui/controls/NumberField.vue';
import SelectField, { type Choice } from '../../ui/controls/SelectField.vue';
import {
  clashOf,
  framesInTime,
  partOf,
  severityIn,
  withValue,
  type Field,
  type FieldPart,
} from '../../../core/style/style-fields.ts';
import { usualRate, type FrameRate } from '../../../core/timing/clock/frames.ts';
import type { HouseStyle } from '../../../core/style/style.ts';

const props = withDefaults(defineProps<{ field: Field; rate?: FrameRate }>(), { rate: () => usualRate });
const style = defineModel<HouseStyle>({ required: true });

const put = (key: string, value: unknown): void => {
  style.value = withValue(style.value, props.field, key, value);
};
/** Said as it is typed, beside both of the fields it is about. */
const clash = computed(() => clashOf(style.value, props.field));
const frames = computed(() => framesInTime(style.value, props.field, props.rate));
const scaleOf = (part: FieldPart): number => (part.kind === 'number' ? (part.scale ?? 1) : 1);
const shown = (part: FieldPart): number => Number(partOf(style.value, props.field, part)) / scaleOf(part);
function putNumber(part: FieldPart, typed: number | null): void {
  // What is no number yet is being typed.
  if (typed === null) return;
  const scale = scaleOf(part);
  put(part.key, scale === 1 ? typed : Math.round(typed * scale));
}
const choicesOf = (of: readonly string[]): Choice<string>[] => of.map((value) => ({ value, title: value }));
const severities = choicesOf(['must', 'should', 'off']);
</script>

<template>
  <span class="row wrap">
    <template v-for="part in field.parts" :key="part.key">
      <span v-if="part.kind === 'number'" class="row small">
        <span v-if="part.label" class="soft" aria-hidden="true">{{ part.label }}</span>
        <NumberField
          :label="`${field.title}${part.label ? `, ${part.label}` : ''}${part.unit ? `, ${part.unit}` : ''}`"
          :model-value="shown(part)"
          :min="part.least / scaleOf(part)"
          :max="part.most / scaleOf(part)"
          :step="part.scale ? 0.1 : 1"
          @update:model-value="putNumber(part, $event)"
        />
        <span v-if="part.unit" class="soft" aria-hidden="true">{{ part.unit }}</span>
      </span>
      <SelectField
        v-else-if="part.kind === 'choice'"
        :label="field.parts.some((p) => p.kind === 'number') ? `${field.title}, ${part.key}` : field.title"
        :model-value="String(partOf(style, field, part))"
        :options="choicesOf(part.of)"
        @update:model-value="put(part.key, $event)"
      />
      <CheckField
        v-else
        :name="field.title"
        :model-value="partOf(style, field, part) === true"
        @update:model-value="put(part.key, $event)"
        >yes</CheckField
      >
    </template>
    <SelectField
      v-if="field.hasSeverity"
      class="field-severity"
      :label="`${field.title}: how much it weighs`"
      :model-value="severityIn(style, field) ?? 'off'"
      :options="severities"
      :width="92"
      @update:model-value="put('severity', $event)"
    />
    <span v-if="frames !== null" class="field-below fine-print soft">{{ frames }}</span>
    <span v-if="clash !== null" class="field-below small bad" role="status">▲ {{ clash }}</span>
  </span>
</template>

<style scoped>
.field-below {
  flex-basis: 100%;
}
.field-severity {
  margin-left: auto;
}
</style>

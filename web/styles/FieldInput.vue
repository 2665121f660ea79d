<script setup lang="ts">
import { partOf, severityIn, withValue, type Field, type FieldPart } from '../../core/style/style-fields.ts';
import type { HouseStyle } from '../../core/style/style.ts';

const props = defineProps<{ field: Field }>();
const style = defineModel<HouseStyle>({ required: true });

const put = (key: string, value: unknown): void => {
  style.value = withValue(style.value, props.field, key, value);
};
const scaleOf = (part: FieldPart): number => (part.kind === 'number' ? (part.scale ?? 1) : 1);
const shown = (part: FieldPart): number => Number(partOf(style.value, props.field, part)) / scaleOf(part);
function putNumber(part: FieldPart, text: string): void {
  const typed = Number(text);
  // What is no number yet is being typed.
  if (text.trim() === '' || !Number.isFinite(typed)) return;
  const scale = scaleOf(part);
  put(part.key, scale === 1 ? typed : Math.round(typed * scale));
}
</script>

<template>
  <span class="field">
    <template v-for="part in field.parts" :key="part.key">
      <label v-if="part.kind === 'number'" class="field-part">
        <span v-if="part.label" class="soft">{{ part.label }}</span>
        <input
          type="number"
          class="text-input figures"
          :aria-label="`${field.title}${part.label ? `, ${part.label}` : ''}${part.unit ? `, ${part.unit}` : ''}`"
          :value="shown(part)"
          :min="part.least / scaleOf(part)"
          :max="part.most / scaleOf(part)"
          :step="part.scale ? 0.1 : 1"
          @input="putNumber(part, ($event.target as HTMLInputElement).value)"
        />
        <span v-if="part.unit" class="soft">{{ part.unit }}</span>
      </label>
      <select
        v-else-if="part.kind === 'choice'"
        class="plain-button"
        :aria-label="field.title"
        :value="partOf(style, field, part)"
        @change="put(part.key, ($event.target as HTMLSelectElement).value)"
      >
        <option v-for="option in part.of" :key="option">{{ option }}</option>
      </select>
      <label v-else class="field-part"
        ><input
          type="checkbox"
          :aria-label="field.title"
          :checked="partOf(style, field, part) === true"
          @change="put(part.key, ($event.target as HTMLInputElement).checked)"
        />
        <span class="soft">yes</span></label
      >
    </template>
    <select
      v-if="field.hasSeverity"
      class="plain-button field-severity"
      :aria-label="`${field.title}: how much it weighs`"
      :value="severityIn(style, field)"
      @change="put('severity', ($event.target as HTMLSelectElement).value)"
    >
      <option>must</option>
      <option>should</option>
      <option>off</option>
    </select>
  </span>
</template>

<style scoped>
.field {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
.field-part {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  font-size: 14px;
}
input[type='number'] {
  width: 68px;
  padding: 2px 6px;
  font-size: 14px;
}
select {
  min-height: 27px;
  padding: 2px 6px;
}
.field-severity {
  margin-left: auto;
}
</style>

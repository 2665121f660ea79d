<script setup lang="ts">
import RowButton from '../controls/RowButton.vue';
import { groups, type Rule, type RuleId } from '../../core/rules/finding.ts';
import { activeRules } from '../../core/rules/findings.ts';
import type { HouseStyle } from '../../core/style/style.ts';

const props = defineProps<{
  house: HouseStyle;
  counts: ReadonlyMap<RuleId, number>;
  chosen: RuleId | 'let-be' | null;
  letBe: number;
}>();
/** The rules of a group that the style minds. */
const asked = (group: (typeof groups)[number]): Rule[] =>
  activeRules(props.house)
    .map(({ rule }) => rule)
    .filter((rule) => rule.group === group);
defineEmits<{ choose: [rule: RuleId | 'let-be'] }>();
</script>

<template>
  <nav class="rules" aria-label="Rules">
    <section v-for="group in groups.filter((g) => asked(g).length > 0)" :key="group">
      <h3>{{ group }}</h3>
      <RowButton
        v-for="rule in asked(group)"
        :key="rule.id"
        :disabled="!counts.has(rule.id)"
        :aria-current="rule.id === chosen"
        @click="$emit('choose', rule.id)"
      >
        <span>{{ rule.title }}</span>
        <span class="figures">{{ counts.get(rule.id) ?? '✓' }}</span>
      </RowButton>
    </section>
    <section v-if="letBe > 0">
      <h3>Let be</h3>
      <RowButton :aria-current="chosen === 'let-be'" @click="$emit('choose', 'let-be')">
        <span>Kept on purpose</span>
        <span class="figures">{{ letBe }}</span>
      </RowButton>
    </section>
  </nav>
</template>

<style scoped>
.rules {
  flex: none;
  width: 214px;
  padding: 14px 12px;
  overflow-y: auto;
  border-right: 1px solid var(--rule);
}
section {
  margin-bottom: 14px;
}
h3 {
  margin-bottom: 2px;
  color: var(--soft);
  font-size: 13px;
  font-weight: 400;
}
button {
  display: flex;
  justify-content: space-between;
  width: 100%;
  padding: 4px 8px;
  border: 0;
  border-radius: 4px;
  background: none;
  color: var(--ink);
  font: 14px/1.5 var(--read);
  text-align: left;
  cursor: pointer;
}
button:disabled {
  color: var(--soft);
  cursor: default;
}
button:hover:not(:disabled) {
  background: var(--reed-wash);
}
button[aria-current='true'] {
  background: var(--reed-wash);
  color: var(--reed);
  font-weight: 700;
}
</style>

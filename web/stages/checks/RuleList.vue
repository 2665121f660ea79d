<script setup lang="ts">
import RowButton from '../../ui/controls/RowButton.vue';
import { groups, type Rule, type RuleId } from '../../../core/rules/finding.ts';
import { activeRules } from '../../../core/rules/findings.ts';
import type { Written } from '../../../core/languages/judged.ts';
import type { HouseStyle } from '../../../core/style/style.ts';

const props = defineProps<{
  house: HouseStyle;
  counts: ReadonlyMap<RuleId, number>;
  chosen: RuleId | 'let-be' | null;
  letBe: number;
  /** What the text can be judged by. */
  written: Written;
}>();
/** Rules without findings that this text says nothing about. */
const isUnjudged = ({ id, needs = [] }: Rule): boolean =>
  !props.counts.has(id) && needs.some((what) => !props.written[what]);
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
      <h3 class="fine-print plain soft">{{ group }}</h3>
      <RowButton
        v-for="rule in asked(group)"
        :key="rule.id"
        class="quiet small row between"
        :class="{ wrap: isUnjudged(rule) }"
        :disabled="!counts.has(rule.id)"
        :aria-current="rule.id === chosen"
        @click="$emit('choose', rule.id)"
      >
        <span>{{ rule.title }}</span>
        <span v-if="isUnjudged(rule)" class="rules-unjudged fine-print">not judged</span>
        <span v-else class="figures">{{ counts.get(rule.id) ?? '✓' }}</span>
      </RowButton>
    </section>
    <section v-if="letBe > 0">
      <h3 class="fine-print plain soft">Let be</h3>
      <RowButton class="quiet small row between" :aria-current="chosen === 'let-be'" @click="$emit('choose', 'let-be')">
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
@media (max-width: 900px) {
  .rules {
    width: auto;
    border-right: 0;
    columns: 2;
  }
}
/* Under the name of its rule, which keeps its width. */
.rules-unjudged {
  flex-basis: 100%;
  text-align: left;
}
section {
  break-inside: avoid;
  margin-bottom: 14px;
}
</style>

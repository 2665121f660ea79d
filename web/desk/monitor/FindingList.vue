<script setup lang="ts">
import { computed } from 'vue';
import type { Finding } from '../../../core/rules/finding.ts';
import { ruleNamed, ruleTitle } from '../../../core/rules/findings.ts';
import type { Caption } from '../../../core/model/caption.ts';
import ComeBack from '../captions/ComeBack.vue';
import UntimedWays from '../captions/UntimedWays.vue';
import LetBe from '../findings/LetBe.vue';
import { useRepairs } from '../findings/repairs.ts';
import { useFindings } from '../findings/findings.ts';
import { useIdleValue } from '../../ui/idle.ts';
import KeyHint from '../../ui/commands/KeyHint.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const props = defineProps<{ caption: Caption }>();
const repairs = useRepairs();
const findings = useFindings();
/** Repairs are thought out between keys, not at each of them. */
const shown = useIdleValue(
  () => [props.caption, findings.found],
  () => repairs.shownOf(props.caption),
);
/** A caption that only has no times yet is nothing that was done wrong. */
const isHollow = ({ rule }: Finding): boolean => rule === 'provisional';
/** The finding that the key repairs: the first that can be. */
const first = computed(() => shown.value.find((s) => s.proposal.repair)?.finding);
</script>

<template>
  <ul class="below plain-list" aria-label="Findings of this caption" aria-live="polite">
    <li
      v-for="{ finding, proposal } in shown"
      :key="finding.rule"
      class="note small"
      :class="isHollow(finding) ? 'hollow' : [finding.severity, { bad: finding.severity === 'must' }]"
    >
      <b
        ><span aria-hidden="true">{{ isHollow(finding) ? '○' : finding.severity === 'must' ? '▲' : '△' }}</span>
        {{ ruleNamed(finding.rule).title }}.</b
      >
      {{ finding.message }}
      <span class="below row wrap">
        <UntimedWays v-if="isHollow(finding)" />
        <ComeBack v-else-if="finding.rule === 'come-back'" :caption="caption" />
        <template v-else-if="proposal.repair">
          <TextButton :tip="proposal.repair.says" @click="repairs.repair(finding)">
            Repair<KeyHint v-if="finding === first" command="repair" />
          </TextButton>
          <span class="findings-says">{{ proposal.repair.says }}</span>
        </template>
        <span v-else class="findings-says">{{ proposal.why }}</span>
        <LetBe v-if="!isHollow(finding) && finding.rule !== 'come-back'" @let-be="repairs.letBe(finding, $event)" />
      </span>
    </li>
  </ul>
  <ul v-if="caption.letBe.length > 0" class="below" aria-label="Let be">
    <li v-for="entry in caption.letBe" :key="entry.rule" class="kept note small">
      <b>Let be: {{ ruleTitle(entry.rule) }}.</b> {{ entry.reason }}
      <span class="below row wrap">
        <TextButton @click="repairs.takeBack(caption.id, entry.rule)">Take back</TextButton>
      </span>
    </li>
  </ul>
</template>

<style scoped>
li {
  margin-bottom: 6px;
  line-height: 1.4;
}
li.hollow {
  border-left-style: dashed;
  background: none;
}
li.kept {
  border-color: var(--rule);
  background: none;
}
.findings-says {
  flex: 1 1 130px;
}
</style>

<script setup lang="ts">
import { computed } from 'vue';
import { ruleNamed, titleOf } from '../../core/rules/findings.ts';
import type { Caption } from '../../core/track/caption.ts';
import LetBe from '../checks/LetBe.vue';
import { useRepairs } from '../checks/repairs.ts';
import { useFindings } from '../stores/findings.ts';
import { useIdleValue } from '../background/idle.ts';
import KeyHint from '../commands/KeyHint.vue';
import TextButton from '../controls/TextButton.vue';

const props = defineProps<{ caption: Caption }>();
const repairs = useRepairs();
const findings = useFindings();
/** Repairs are thought out between keys, not at each of them. */
const shown = useIdleValue(
  () => [props.caption, findings.found],
  () => repairs.shownOf(props.caption),
);
/** The finding that the key repairs: the first that can be. */
const first = computed(() => shown.value.find((s) => s.proposal.repair)?.finding);
</script>

<template>
  <ul class="findings" aria-label="Findings of this caption" aria-live="polite">
    <li v-for="{ finding, proposal } in shown" :key="finding.rule" :class="finding.severity">
      <b
        ><span aria-hidden="true">{{ finding.severity === 'must' ? '▲' : '△' }}</span>
        {{ ruleNamed(finding.rule).title }}.</b
      >
      {{ finding.message }}
      <span class="findings-actions">
        <template v-if="proposal.repair">
          <TextButton :tip="proposal.repair.says" @click="repairs.repair(finding)">
            Repair<KeyHint v-if="finding === first" command="repair" />
          </TextButton>
          <span class="findings-says">{{ proposal.repair.says }}</span>
        </template>
        <span v-else class="findings-says">{{ proposal.why }}</span>
        <LetBe @let-be="repairs.letBe(finding, $event)" />
      </span>
    </li>
  </ul>
  <ul v-if="caption.letBe.length > 0" class="findings" aria-label="Let be">
    <li v-for="entry in caption.letBe" :key="entry.rule" class="kept">
      <b>Let be: {{ titleOf(entry.rule) }}.</b> {{ entry.reason }}
      <span class="findings-actions">
        <TextButton @click="repairs.takeBack(caption.id, entry.rule)">Take back</TextButton>
      </span>
    </li>
  </ul>
</template>

<style scoped>
.findings {
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}
li {
  margin-bottom: 6px;
  padding: 9px 10px;
  border-left: 4px solid var(--sun);
  background: var(--sun-wash);
  font-size: 14px;
  line-height: 1.4;
}
li.must {
  border-left-color: var(--alarm);
  background: var(--alarm-wash);
}
li.kept {
  border-left-color: var(--rule);
  background: none;
}
.findings-actions {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
  margin-top: 6px;
}
.findings-says {
  flex: 1 1 130px;
}
kbd {
  margin-left: 6px;
  color: var(--soft);
  font: 13px var(--read);
}
</style>

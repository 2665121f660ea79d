<script setup lang="ts">
import { computed } from 'vue';
import { ruleNamed } from '../../core/rules/findings.ts';
import type { Caption } from '../../core/track/caption.ts';
import { useFindings } from '../stores/findings.ts';

const props = defineProps<{ caption: Caption }>();
const findings = useFindings();
const shown = computed(() => findings.of(props.caption.id));
</script>

<template>
  <ul class="findings" aria-label="Findings of this caption" aria-live="polite">
    <li v-for="finding in shown" :key="finding.rule" :class="finding.severity">
      <b
        ><span aria-hidden="true">{{ finding.severity === 'must' ? '▲' : '△' }}</span>
        {{ ruleNamed(finding.rule).title }}.</b
      >
      {{ finding.message }}
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
</style>

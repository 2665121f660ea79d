<script setup lang="ts">
import { ArrowRightToLine, Check, Columns3, LetterText, RulerDimensionLine } from '@lucide/vue';
import type { Component } from 'vue';
import { stages, type StageName } from '../../stages/stages.ts';
import TimesMenu from '../../move-times/bar/TimesMenu.vue';
import { useFindings } from '../../desk/findings/findings.ts';

const findings = useFindings();
const icons: Readonly<Record<StageName, Component>> = {
  words: LetterText,
  tape: RulerDimensionLine,
  checks: Check,
  tracks: Columns3,
  handover: ArrowRightToLine,
};
</script>

<template>
  <nav class="rail sheet" aria-label="Stages">
    <RouterLink
      v-for="stage in stages"
      :key="stage.name"
      :to="{ name: stage.name }"
      class="rail-stage fine-print"
      active-class="here"
    >
      <component :is="icons[stage.name]" :size="22" :stroke-width="1.8" aria-hidden="true" />
      <span class="rail-name"
        >{{ stage.title
        }}<span
          v-if="stage.name === 'checks' && findings.count > 0"
          class="rail-count"
          :aria-label="`, ${findings.count} findings`"
          >{{ findings.count }}</span
        ></span
      >
    </RouterLink>
    <div class="rail-times ruled-above"><TimesMenu /></div>
  </nav>
</template>

<style scoped>
.rail {
  padding-top: 8px;
  border-right: 1px solid var(--rule);
}
.rail-stage {
  position: relative;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 5px;
  height: 64px;
  padding-right: 2px;
  border-left: 4px solid transparent;
  color: var(--soft);
  text-decoration: none;
}
.rail-times {
  margin-top: 8px;
  padding-top: 8px;
}
.rail-stage:hover {
  color: var(--ink);
}
.rail-stage.here {
  border-left-color: var(--reed);
  background: var(--reed-wash);
  color: var(--reed);
  font-weight: 700;
}
/* Clear of the count beside it. */
.rail-stage:has(.rail-count) svg {
  margin-right: 28px;
}
.rail-count {
  position: absolute;
  top: 6px;
  right: 2px;
  min-width: 26px;
  padding: 0 4px;
  border-radius: 8px;
  background: var(--alarm);
  color: var(--sheet);
  font: 700 var(--size-sign) / 16px var(--read);
  text-align: center;
}
</style>

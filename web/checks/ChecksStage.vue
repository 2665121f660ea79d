<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { Finding, RuleId } from '../../core/rules/finding.ts';
import { rules } from '../../core/rules/findings.ts';
import { marginClock } from '../../core/time/clock.ts';
import type { Caption } from '../../core/track/caption.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { usePlayback } from '../stores/playback.ts';
import { useTrack } from '../stores/track.ts';
import RuleList from './RuleList.vue';

const job = useJob();
const track = useTrack();
const place = usePlace();
const playback = usePlayback();
const findings = useFindings();
const router = useRouter();

interface Row {
  readonly caption: Caption;
  readonly finding: Finding;
}
const all = computed<Row[]>(() =>
  track.captions.flatMap((caption) => findings.of(caption.id).map((finding) => ({ caption, finding }))),
);
const counts = computed(() => {
  const found = new Map<RuleId, number>();
  for (const { finding } of all.value) found.set(finding.rule, (found.get(finding.rule) ?? 0) + 1);
  return found;
});
const chosen = ref<RuleId | null>(null);
const rule = computed(() => {
  const wanted = chosen.value;
  if (wanted && (counts.value.get(wanted) ?? 0) > 0) return wanted;
  return rules.find((r) => counts.value.has(r.id))?.id ?? null;
});
const rows = computed(() => all.value.filter((row) => row.finding.rule === rule.value));
const advice = computed(() => all.value.length - findings.count);
/** Long lists are cut, so that the page stays light; what is mended makes room for the rest. */
const most = 200;

function choose(row: Row): void {
  place.goTo(row.caption.id, 'chosen');
  playback.seek(row.caption.start);
}
function mend(row: Row): void {
  choose(row);
  void router.push({ name: 'words' });
}
</script>

<template>
  <div class="stage-bar">
    <h2>
      {{ findings.count }} {{ findings.count === 1 ? 'finding' : 'findings' }} in {{ track.captions.length }} captions
    </h2>
    <span class="soft"
      >against {{ job.job?.style.name }}<template v-if="advice > 0">, and {{ advice }} pieces of advice</template></span
    >
  </div>
  <div class="checks">
    <RuleList :counts="counts" :chosen="rule" @choose="chosen = $event" />
    <div class="checks-rows">
      <div v-if="rows.length === 0" class="checks-none">
        <h2>Nothing departs from {{ job.job?.style.name }}</h2>
        <p class="soft">Every caption keeps to its limits. What is left is hearing them through: Words, Ctrl Enter.</p>
      </div>
      <ol v-else aria-label="Findings">
        <li
          v-for="row in rows.slice(0, most)"
          :key="row.caption.id"
          :class="{ here: place.caption?.id === row.caption.id }"
        >
          <button type="button" class="checks-row" @click="choose(row)" @dblclick="mend(row)">
            <span class="figures checks-time">{{ marginClock(row.caption.start) }}</span>
            <span class="checks-text">
              <span class="checks-caption" dir="auto">{{ row.caption.text }}</span>
              <b :class="row.finding.severity">{{ row.finding.message }}</b>
            </span>
          </button>
          <button type="button" class="plain-button" @click="mend(row)">Mend in Words</button>
        </li>
      </ol>
      <p v-if="rows.length > most" class="soft">And {{ rows.length - most }} more.</p>
    </div>
  </div>
</template>

<style scoped>
.checks {
  display: flex;
  flex: 1;
  min-height: 0;
}
.checks-rows {
  flex: 1;
  min-width: 0;
  padding: 16px;
  overflow-y: auto;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  align-items: flex-start;
  gap: 12px;
  padding: 10px 12px 10px 0;
  border-bottom: 1px solid var(--rule);
}
li.here {
  background: var(--sheet);
  box-shadow: inset 3px 0 0 var(--ink);
}
.checks-row {
  display: flex;
  flex: 1;
  gap: 14px;
  min-width: 0;
  padding: 0 0 0 12px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.checks-time {
  flex: none;
  width: 76px;
  color: var(--soft);
}
.checks-caption {
  display: block;
  font-size: 16px;
  white-space: pre-line;
}
b {
  font-size: 14px;
}
b.must {
  color: var(--alarm);
}
b.should {
  color: var(--sun-text);
}
.checks-none {
  padding: 60px 24px;
  text-align: center;
}
</style>

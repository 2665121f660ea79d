<script setup lang="ts">
import { plural } from '../../../core/text/plural.ts';
import EmptyPage from '../../ui/controls/EmptyPage.vue';
import { computed, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { findingsReport } from '../../../core/handover/findings-report.ts';
import { plainName } from '../../../core/handover/naming.ts';
import type { Finding, RuleId } from '../../../core/rules/finding.ts';
import { ruleNamed, rules, ruleTitle } from '../../../core/rules/findings.ts';
import type { Proposal } from '../../../core/rules/repairs/repairs.ts';
import type { Caption, LetBe as LetBeEntry } from '../../../core/model/caption.ts';
import { saveAs } from '../../import/save-as.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useWholeTrack } from '../../desk/findings/whole-track.ts';
import { useTrack } from '../../data/tracks/track.ts';
import KeyHint from '../../ui/commands/KeyHint.vue';
import CaptionList from './CaptionList.vue';
import { barText, spreadFor, spreadOf, type HistogramBar, type SpreadName } from './distributions.ts';
import FindingRow from './FindingRow.vue';
import RepairReport from './RepairReport.vue';
import RuleList from './RuleList.vue';
import SpreadChart from './SpreadChart.vue';
import { useRepairs } from '../../desk/findings/repairs.ts';
import TextButton from '../../ui/controls/TextButton.vue';
import { whatIsWritten } from '../../../core/languages/judged.ts';
import { useIdleValue } from '../../ui/idle.ts';
import { useTimes } from '../../data/tracks/times.ts';

const times = useTimes();
const job = useJob();
const track = useTrack();
/** A raw draft has no capitals and no ends of sentences: rules about them say nothing of it. */
const written = useIdleValue(
  () => track.captions,
  () => whatIsWritten(track.captions.map(({ text }) => text)),
);
const unjudged = computed(() => !written.value.capitals || !written.value.ends);
const cursor = useCursor();
const playback = usePlayback();
const findings = useFindings();
const router = useRouter();
const repairs = useRepairs();
const wholeTrack = useWholeTrack();

interface Row {
  readonly caption: Caption;
  readonly finding: Finding;
}
const all = computed<Row[]>(() =>
  track.captions.flatMap((caption) => findings.of(caption.id).map((finding) => ({ caption, finding }))),
);
const kept = computed<{ caption: Caption; entry: LetBeEntry }[]>(() =>
  track.captions.flatMap((caption) => caption.letBe.map((entry) => ({ caption, entry }))),
);
const counts = computed(() => {
  const found = new Map<RuleId, number>();
  for (const { finding } of all.value) found.set(finding.rule, (found.get(finding.rule) ?? 0) + 1);
  return found;
});
const chosen = ref<RuleId | 'let-be' | null>(null);
const rule = computed(() => {
  const wanted = chosen.value;
  if (wanted === 'let-be' && kept.value.length > 0) return wanted;
  if (wanted && wanted !== 'let-be' && (counts.value.get(wanted) ?? 0) > 0) return wanted;
  const must = all.value.find((row) => row.finding.severity === 'must')?.finding.rule;
  return must ?? rules.find((r) => counts.value.has(r.id))?.id ?? null;
});
const rows = computed(() => all.value.filter((row) => row.finding.rule === rule.value));
const advice = computed(() => all.value.length - findings.count);
/** Long lists are cut, so that the page stays light; what is repaired makes room for the rest. */
const most = 60;
const shown = computed(() =>
  rows.value
    .slice(0, most)
    .map((row): Row & { proposal: Proposal } => ({ ...row, proposal: repairs.propose(row.finding) })),
);

/** How many of those shown can be repaired; where none can, only people help. */
const repairable = computed(() => shown.value.filter((row) => row.proposal.repair !== null).length);
const repairLabel = computed(() => {
  // Of a list that is cut, not every repair was thought out.
  if (rows.value.length > most) return `Repair where possible (${String(rows.value.length)})`;
  const all = repairable.value === rows.value.length;
  return all
    ? `Repair all ${String(rows.value.length)}`
    : `Repair ${String(repairable.value)} of ${String(rows.value.length)}`;
});

/** The measure that is shown: the one asked for, else the one the rule is about. */
const asked = ref<SpreadName | null>(null);
const spread = computed(() => {
  const about = rule.value === null || rule.value === 'let-be' ? null : spreadFor(rule.value);
  return findings.context ? spreadOf(asked.value ?? about ?? 'speed', track.captions, findings.context) : null;
});
const barFrom = ref<number | null>(null);
const bar = computed<HistogramBar | null>(() => spread.value?.bars.find((b) => b.from === barFrom.value) ?? null);
function show(name: SpreadName): void {
  asked.value = name;
  barFrom.value = null;
}
function chooseRule(wanted: RuleId | 'let-be'): void {
  chosen.value = wanted;
  asked.value = null;
  barFrom.value = null;
}

/** Takes the report away as a file; it is made when it is asked for. */
function takeReport(): void {
  saveAs(findingsReport(track.captions, findings.of), `${plainName(job.job?.title ?? '')}-findings.csv`, 'text/csv');
}

function choose(caption: Caption): void {
  cursor.goTo(caption.id, 'chosen');
  playback.seek(caption.start);
}
function edit(caption: Caption): void {
  choose(caption);
  void router.push({ name: 'words' });
}
/** The keyboard goes where the report came from. */
const everything = useTemplateRef<{ readonly $el: HTMLElement }>('everything');
function closeReport(): void {
  repairs.report = null;
  everything.value?.$el.focus();
}
</script>

<template>
  <div class="stage-bar">
    <h2>
      <template v-if="findings.looking">Checking {{ plural(track.captions.length, 'caption') }}…</template>
      <template v-else
        >▲ {{ findings.count }} must, <span>△ {{ advice }} should</span></template
      >
    </h2>
    <span class="soft grow truncated"
      >{{ plural(track.captions.length, 'caption') }} against {{ job.job?.style.name }}</span
    >
    <TextButton v-if="all.length + kept.length > 0" @click="takeReport"> Report (CSV) </TextButton>
    <TextButton
      v-if="all.length > 0"
      ref="everything"
      main
      :disabled="wholeTrack.working"
      @click="repairs.repairMany('every')"
    >
      Repair everything
    </TextButton>
  </div>
  <div class="checks">
    <RuleList
      v-if="job.job"
      :house="job.job.style"
      :counts="counts"
      :chosen="rule"
      :let-be="kept.length"
      :written="written"
      @choose="chooseRule"
    />
    <div class="checks-rows scrolls stage-body">
      <RepairReport v-if="repairs.report" :report="repairs.report" @go="choose($event)" @close="closeReport" />
      <SpreadChart
        v-if="spread && track.captions.length > 0"
        :spread="spread"
        :chosen="bar"
        @show="show"
        @choose="barFrom = $event?.from ?? null"
      />
      <CaptionList
        v-if="spread && bar"
        :title="`${bar.captions.length} ${bar.captions.length === 1 ? 'caption' : 'captions'}: ${barText(spread, bar)}`"
        :captions="bar.captions"
        :here="cursor.caption?.id ?? null"
        @choose="choose"
        @edit="edit"
      />
      <EmptyPage v-else-if="rule === null" :title="`Every caption meets ${job.job?.style.name ?? 'the house style'}`">
        <template v-if="unjudged"
          >No finding is left, but the text has no {{ written.capitals ? 'sentence ends' : 'capitals' }}: rules that
          need them were not judged.</template
        >
        <template v-else>No finding is left.</template> What remains is to listen through and proof: Words,
        <KeyHint command="proof" />.
      </EmptyPage>
      <ol v-else-if="rule === 'let-be'" class="plain-list" aria-label="Let be">
        <li
          v-for="{ caption, entry } in kept"
          :key="`${caption.id} ${entry.rule}`"
          class="checks-kept list-pad row wide top ruled"
        >
          <span class="figures soft">{{ times.clock(caption.start) }}</span>
          <span class="grow"
            ><span class="block large lines" dir="auto">{{ caption.text }}</span
            ><b>{{ ruleTitle(entry.rule) }}</b> let be: {{ entry.reason }}</span
          >
          <TextButton @click="repairs.takeBack(caption.id, entry.rule)"> Take back </TextButton>
        </li>
      </ol>
      <template v-else>
        <div class="row between">
          <h3>{{ ruleNamed(rule).title }}</h3>
          <TextButton
            v-if="rows.length > 1 && repairable > 0"
            :disabled="wholeTrack.working"
            @click="repairs.repairMany(rule)"
          >
            {{ repairLabel }}
          </TextButton>
        </div>
        <ol class="plain-list" aria-label="Findings">
          <FindingRow
            v-for="row in shown"
            :key="row.caption.id"
            :caption="row.caption"
            :finding="row.finding"
            :proposal="row.proposal"
            :here="cursor.caption?.id === row.caption.id"
            @choose="choose(row.caption)"
            @edit="edit(row.caption)"
            @repair="repairs.repair(row.finding)"
            @let-be="repairs.letBe(row.finding, $event)"
          />
        </ol>
      </template>
      <p v-if="!bar && rule !== 'let-be' && rows.length > most" class="soft">And {{ rows.length - most }} more.</p>
    </div>
  </div>
</template>

<style scoped>
.checks {
  display: flex;
  flex: 1;
  min-height: 0;
}
@media (max-width: 900px) {
  .checks {
    flex-direction: column;
  }
}
</style>

<script setup lang="ts">
import SelectField, { type Choice } from '../../ui/controls/SelectField.vue';
import CheckField from '../../ui/controls/CheckField.vue';
import { computed, ref, shallowRef, watch } from 'vue';
import type { ReflowRequest } from '../../../core/operations/reflow-captions.ts';
import { useFindings } from '../findings/findings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import type { Tasks } from '../../data/workers/track-tasks.ts';
import { useWholeTrack } from '../findings/whole-track.ts';
import { rangeOf, type Scope } from '../captions/scope.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import { useTimes } from '../../data/tracks/times.ts';

const times = useTimes();
const open = defineModel<boolean>('open', { required: true });
const job = useJob();
const track = useTrack();
const messages = useMessages();
const cursor = useCursor();
const selection = useSelection();
const findings = useFindings();
const { preview } = useWholeTrack();

const what = ref<ReflowRequest['what']>('captions');
const where = ref<Scope>('all');
const every = ref(false);
const shown = shallowRef<Tasks['reflow']['answer'] | null>(null);
/** Long lists are cut; the figures tell of all. */
const most = 40;
const style = computed(() => job.job?.style.name ?? '');
const selected = computed(() => (selection.places ? selection.places.to - selection.places.from + 1 : 0));
const asked = computed<ReflowRequest>(() => ({
  what: what.value,
  every: every.value,
  ...rangeOf(where.value, { here: cursor.index, selected: selection.places, captions: track.captions.length }),
}));
const gone = computed(() => shown.value?.runs.flatMap((run) => run.before) ?? []);
const before = computed(() => gone.value.length);
const proofed = computed(() => (what.value === 'lines' ? 0 : gone.value.filter((c) => c.proofed).length));
const after = computed(() => shown.value?.runs.reduce((n, run) => n + run.after.length, 0) ?? 0);

watch(
  open,
  (now) => {
    if (now) where.value = selected.value > 1 ? 'selected' : 'all';
  },
  { immediate: true },
);
const whats: readonly Choice<ReflowRequest['what']>[] = [
  { value: 'captions', title: 'Redistribute words between captions' },
  { value: 'lines', title: 'Break the lines inside each caption again' },
];
const scopes = computed((): readonly Choice<Scope>[] => [
  { value: 'here', title: 'This caption' },
  ...(selected.value > 1
    ? [{ value: 'selected', title: `The ${String(selected.value)} selected captions` } as const]
    : []),
  { value: 'on', title: 'From this caption on' },
  { value: 'all', title: 'All captions' },
]);
let turn = 0;
watch(
  [open, asked, () => track.captions],
  async () => {
    if (!open.value) return;
    const mine = ++turn;
    shown.value = null;
    const answer = await preview('reflow', asked.value);
    if (mine === turn) shown.value = answer;
  },
  { immediate: true },
);

/** Does what is shown; it is worked out again whenever the captions change, so it always fits them. */
function go(): void {
  const { value: laid } = shown;
  if (!laid?.edit || !track.editable) return;
  open.value = false;
  const said = `${String(before.value)} captions reflowed into ${String(after.value)}; one step to undo.`;
  track.change(laid.edit);
  messages.remark = said;
  const first = laid.runs[0]?.after[0];
  if (first) cursor.goTo(first.id, 'chosen');
}
</script>

<template>
  <DialogSheet
    v-model:open="open"
    title="Reflow"
    :width="760"
    ok-text="Reflow"
    cancel-text="Cancel"
    :ok-button-props="{ disabled: !shown?.edit || !track.editable }"
    @ok="go"
  >
    <div class="row wide wrap">
      <SelectField v-model="what" label="What is reflowed" :options="whats" large />
      <SelectField v-model="where" label="Which captions" :options="scopes" large />
      <CheckField v-model="every">Include captions that already meet {{ style }}</CheckField>
    </div>
    <p class="reflow-sum" role="status">
      <template v-if="!shown">Working…</template>
      <template v-else-if="shown.runs.length === 0"
        >Reflow changes nothing here: under {{ style }} it would come out the same.</template
      >
      <template v-else
        >{{ before }} captions become {{ after }}. Findings in the track: {{ findings.count }} before,
        {{ shown.must }} after.<template v-if="proofed > 0">
          Proofed captions among them have to be proofed again.</template
        ></template
      >
    </p>
    <div
      v-if="shown && shown.runs.length > 0"
      class="dialog-list"
      tabindex="0"
      role="region"
      aria-label="Before and after"
    >
      <div class="before-after line-row soft"><span>Before</span><span>After</span></div>
      <div v-for="(run, i) in shown.runs.slice(0, most)" :key="i" class="before-after line-row">
        <span v-for="side in ['before', 'after'] as const" :key="side">
          <span v-for="c in run[side]" :key="c.id" class="reflow-caption time-and-text lines"
            ><small class="figures fine-print soft">{{ times.clock(c.start) }}</small
            ><span dir="auto">{{ c.text }}</span></span
          >
        </span>
      </div>
      <p v-if="shown.runs.length > most" class="soft">And {{ shown.runs.length - most }} more places.</p>
    </div>
  </DialogSheet>
</template>

<style scoped>
.reflow-sum {
  margin: 12px 0 8px;
}
</style>

/** Text that was only now given times, reflowed by when its words are said: a transcript becomes captions in one step. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { apply } from '../../../core/model/apply.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import { useTrackWorker } from '../../data/workers/track-client.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { usePlacing } from './placing.ts';

/** The whole of it: placed, and laid out after that. */
interface Laid {
  /** What it is made of: the placing it fits, and the captions that was for. */
  readonly of: Edit;
  readonly on: readonly Caption[];
  readonly edit: Edit;
  readonly captions: readonly Caption[];
}

export const usePlacedReflow = defineStore('placed-reflow', () => {
  const track = useTrack();
  const worker = useTrackWorker();
  const findings = useFindings();
  const placing = usePlacing();

  /** Whether none of what was listened for had times before. */
  const isBare = computed(() => {
    const rows = placing.found?.rows ?? [];
    return rows.length > 0 && rows.every(({ before }) => before.timing === 'provisional');
  });
  const wanted = ref(true);
  watch(
    () => placing.found,
    () => (wanted.value = true),
  );
  const isOn = computed(() => isBare.value && wanted.value);
  const trouble = ref<string | null>(null);
  const worked = shallowRef<Laid | null>(null);
  let turn = 0;
  watch(
    [isOn, () => placing.edit, () => track.captions, () => findings.context],
    async ([on, of, captions, context]) => {
      const mine = ++turn;
      trouble.value = null;
      if (!on || !of || !context) return;
      try {
        const placed = apply(captions, of).captions;
        const request = { what: 'captions', every: true, timed: true } as const;
        const answer = await worker.ask('reflow', { captions: placed, context }, request);
        if (mine !== turn) return;
        const steps = of.type === 'together' ? of.edits : [of];
        const edit: Edit = answer.edit ? { type: 'together', edits: [...steps, answer.edit] } : of;
        worked.value = { of, on: captions, edit, captions: apply(captions, edit).captions };
      } catch (error) {
        if (mine === turn) trouble.value = `The text could not be laid out: ${sentence(error)}`;
      }
    },
  );
  /** Null while it is not asked for, or still being worked out. */
  const laid = computed(() => {
    const { value: now } = worked;
    return isOn.value && now?.of === placing.edit && now.on === track.captions ? now : null;
  });
  return { isBare, wanted, isOn, trouble, laid };
});

/** Findings of the open track against the job's house style, looked at again only where an edit reached. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { isTranslation } from '../../../core/job/job.ts';
import type { Finding, RuleContext } from '../../../core/rules/finding.ts';
import { finder, type Found } from '../../../core/rules/finder.ts';
import { noFindings } from '../../../core/rules/findings.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { useTrackWorker } from '../../data/workers/track-client.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useJob } from '../../data/jobs/job.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';

/** More captions than this are looked over in the worker. */
const many = 1500;

export const useFindings = defineStore('findings', () => {
  const job = useJob();
  const track = useTrack();
  const worker = useTrackWorker();
  const preferences = usePreferences();
  const sound = useSound();
  const { look, take, work } = finder();
  const context = computed<RuleContext | null>(() =>
    job.job
      ? {
          style: job.job.style,
          rate: job.job.rate,
          length: job.job.recording?.length ?? null,
          language: track.track?.language ?? job.job.language,
          doubtBelow: preferences.doubtBelow,
          regions: track.track && isTranslation(track.track, job.job.language) ? null : sound.regions,
          stretch: job.job.stretch,
        }
      : null,
  );
  const found = shallowRef<Found>({ byCaption: new Map(), must: 0 });
  /** The whole track is being looked over; what is shown is from before. */
  const looking = ref(false);
  let turn = 0;

  async function lookOver(captions: readonly Caption[], on: RuleContext): Promise<void> {
    const mine = ++turn;
    looking.value = true;
    try {
      const lists = await worker.ask('findings', { captions, context: on }, null);
      if (mine !== turn) return;
      take(captions, on, lists);
    } catch {
      // Without a worker the page looks for itself.
    }
    if (mine !== turn) return;
    looking.value = false;
    if (context.value) found.value = look(track.captions, context.value);
  }

  watch(
    [() => track.captions, context],
    ([captions, on], [, before]) => {
      if (!on) return;
      if (work(captions, on) <= many) {
        turn++;
        looking.value = false;
        found.value = look(captions, on);
      } else if (!looking.value || before?.style !== on.style) void lookOver(captions, on);
    },
    { flush: 'sync', immediate: true },
  );

  const count = computed(() => found.value.must);
  const of = (id: string): readonly Finding[] => found.value.byCaption.get(id) ?? noFindings;
  return { context, found, looking, count, of };
});

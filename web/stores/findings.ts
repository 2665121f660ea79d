/** Findings of the open track against the job's house style, looked at again only where an edit reached. */
import { defineStore } from 'pinia';
import { computed } from 'vue';
import type { Finding, Ground } from '../../core/rules/finding.ts';
import { finder, mustCount } from '../../core/rules/findings.ts';
import { useJob } from './job.ts';
import { useTrack } from './track.ts';

const none: readonly Finding[] = [];

export const useFindings = defineStore('findings', () => {
  const job = useJob();
  const track = useTrack();
  const look = finder();
  const ground = computed<Ground | null>(() =>
    job.job
      ? {
          style: job.job.style,
          rate: job.job.rate,
          length: job.job.recording?.length ?? null,
          language: track.track?.language ?? job.job.language,
        }
      : null,
  );
  const byCaption = computed<ReadonlyMap<string, readonly Finding[]>>(() =>
    ground.value ? look(track.captions, ground.value) : new Map(),
  );
  const count = computed(() => mustCount(byCaption.value));
  const of = (id: string): readonly Finding[] => byCaption.value.get(id) ?? none;
  return { ground, byCaption, count, of };
});

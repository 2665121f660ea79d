/** Times that were made for one frame rate, played at another. */
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { parseRate, rateText, usualRate } from '../../../core/timing/clock/frames.ts';
import { rateChange } from '../../../core/timing/whole/line.ts';
import { useJob } from '../../data/jobs/job.ts';
import type { Plan } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';

/** @param from the frame rate the times were made for, as people say it @param to the one of the recording */
export function ratePlan(from: string, to: string): Plan {
  const [was, is] = [parseRate(from), parseRate(to)];
  return was && is && from !== to ? { pieces: rateChange(was, is) } : null;
}

export const useRate = defineStore('frame-rate', () => {
  const job = useJob();
  const chosen = ref<{ readonly from: string | null; readonly to: string | null }>({ from: null, to: null });
  /** One of the two, that of the recording until another is chosen. */
  const either = (which: 'from' | 'to') =>
    computed({
      get: () => chosen.value[which] ?? rateText(job.job?.rate ?? usualRate),
      set: (rate) => (chosen.value = { ...chosen.value, [which]: rate }),
    });
  const [from, to] = [either('from'), either('to')];
  const tool: TimesTool = {
    begins: 'all',
    plan: () => ratePlan(from.value, to.value),
    clear: () => (chosen.value = { from: null, to: null }),
  };
  return { from, to, tool };
});

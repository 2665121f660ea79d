/** All by the same time, as it is typed. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { usualRate, type FrameRate } from '../../../core/timing/clock/frames.ts';
import { readTime } from '../../../core/timing/clock/read-time.ts';
import { useJob } from '../../data/jobs/job.ts';
import type { Plan } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';

/** What a shift that was typed comes to, in ms; later is more. Null where nothing is typed yet. */
export function shiftPlan(typed: string, rate: FrameRate): Plan {
  const text = typed.trim().replace('−', '-');
  if (text === '' || text === '-' || text === '+') return null;
  const read = readTime(text.replace(/^[-+]/, ''), 0, rate);
  if ('fault' in read) return { fault: 'Write seconds as in 0.4, or −1.2 for earlier; pictures as in 2f.' };
  return { by: text.startsWith('-') ? -read.ms : read.ms };
}

export const useShift = defineStore('shift', () => {
  const job = useJob();
  const typed = ref('');
  const tool: TimesTool = {
    begins: 'on',
    plan: () => shiftPlan(typed.value, job.job?.rate ?? usualRate),
    clear: () => (typed.value = ''),
  };
  return { typed, tool };
});

/** Begins and ends moved by themselves: to the frames, to their neighbours, or further out. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { Job } from '../../../core/job/job.ts';
import { closedGaps, furtherOut, snappedTimes } from '../../../core/timing/whole/edges.ts';
import { wholeGap } from '../../../core/style/style.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { retiming } from '../../desk/captions/retiming.ts';
import { useJob } from '../../data/jobs/job.ts';
import type { Plan } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';

export type EdgeWay = 'frames' | 'gaps' | 'further';

/** Seconds as they are typed, in ms; null where they are none. */
function typedMs(typed: string): number | null {
  const seconds = Number(typed.trim().replace(',', '.'));
  return typed.trim() !== '' && Number.isFinite(seconds) && seconds >= 0 && seconds <= 60
    ? Math.round(seconds * 1000)
    : null;
}

export const useEdges = defineStore('retime-edges', () => {
  const way = ref<EdgeWay>('frames');
  /** In seconds, as they are typed. */
  const upTo = ref('0.5');
  const lead = ref('0.1');
  const linger = ref('0.3');

  /** @param moved captions in a row */
  function planFor(moved: readonly Caption[], { style, rate, recording }: Job): Plan {
    const gap = wholeGap(style, rate);
    const fault = { fault: 'Write seconds, as in 0.5, at most 60.' };
    const keep = (times: ReturnType<typeof snappedTimes>): Plan => ({
      times,
      edit: times.length > 0 ? retiming(times) : null,
    });
    if (way.value === 'frames') return keep(snappedTimes(moved, rate));
    if (way.value === 'gaps') {
      const most = typedMs(upTo.value);
      return most === null ? fault : keep(closedGaps(moved, most, gap));
    }
    const [early, late] = [typedMs(lead.value), typedMs(linger.value)];
    if (early === null || late === null) return fault;
    return keep(furtherOut(moved, { lead: early, linger: late, gap, length: recording?.length ?? Infinity }));
  }
  const job = useJob();
  const tool: TimesTool = {
    begins: 'all',
    plan: (captions) => job.job && planFor(captions, job.job),
    // What was typed is kept for the next time: it is the same for the tracks of a job.
    clear: () => undefined,
  };
  return { way, upTo, lead, linger, tool };
});

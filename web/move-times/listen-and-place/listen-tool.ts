/** Listen and place as a way of moving times: what was found, laid out by when it is said where that is asked for. */
import { defineStore } from 'pinia';
import type { Plan } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';
import { usePlacedReflow } from './placed-reflow.ts';
import { usePlacing } from './placing.ts';

export const useListenTool = defineStore('listen-tool', () => {
  const placing = usePlacing();
  const placedReflow = usePlacedReflow();

  function plan(): Plan {
    if (!placing.found) return null;
    const { times, edit } = placing;
    if (!placedReflow.isOn) return { times, edit };
    // While it is being worked out there is nothing to be done yet.
    return placedReflow.laid && { times, edit: placedReflow.laid.edit, captions: placedReflow.laid.captions };
  }
  const tool: TimesTool = {
    begins: 'all',
    plan,
    clear: placing.clear,
    shows: { inStage: () => placing.found !== null && placing.isShown, inMonitor: () => false },
    worded: () => (plan() ? placing.worded.length : 0),
    // Listening that a reload broke off goes on by itself.
    resumes: {
      isDue: () => placing.brokenOff !== null,
      byHand: false,
      go: () => void (placing.brokenOff && placing.listen(placing.brokenOff)),
    },
  };
  return { tool };
});

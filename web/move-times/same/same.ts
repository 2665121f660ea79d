/** What was done to one track, to be done to another that shares its times. */
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { SameMove } from '../../../core/timing/whole/same-move.ts';
import { planOfMove } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';

interface Same {
  /** The track it was done to first. */
  readonly of: string;
  readonly move: SameMove;
}

export const useSame = defineStore('same-move', () => {
  const same = shallowRef<Same | null>(null);
  const tool: TimesTool = {
    begins: 'all',
    wholeOnly: true,
    plan: (captions) => same.value && planOfMove(same.value.move, captions),
    clear: () => (same.value = null),
  };
  return { same, tool };
});

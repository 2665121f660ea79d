/** The part of the recording that is to be captioned: outside it nothing is held against the sound. */
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import type { Stretch } from '../../../core/audio/regions.ts';
import type { Edge } from '../../../core/timing/drag/move.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTimes } from '../../data/tracks/times.ts';

/** No part is shorter than this, in ms. */
const least = 1000;

export const useStretch = defineStore('stretch', () => {
  const job = useJob();
  const times = useTimes();
  const messages = useMessages();
  /** While an end is dragged. */
  const held = shallowRef<Stretch | null>(null);
  const kept = computed(() => job.job?.stretch ?? null);
  /** As it is to be seen; null for all of the recording. */
  const shown = computed(() => held.value ?? kept.value);

  /** A part inside the recording; null where that is all of it. */
  function inside(part: Stretch | null): Stretch | null {
    const { length } = times;
    const whole = part && { start: Math.max(0, Math.round(part.start)), end: Math.min(length, Math.round(part.end)) };
    return !whole || whole.end - whole.start < least || (whole.start === 0 && whole.end >= length) ? null : whole;
  }
  /** @param part null for all of the recording */
  async function set(part: Stretch | null): Promise<void> {
    try {
      await job.change({ stretch: inside(part) });
    } catch (error) {
      messages.notice = sentence(error);
    }
  }
  const within = (edge: Edge, ms: number): Stretch => {
    const { start, end } = shown.value ?? { start: 0, end: times.length };
    return edge === 'start'
      ? { start: Math.max(0, Math.min(ms, end - least)), end }
      : { start, end: Math.min(times.length, Math.max(ms, start + least)) };
  };
  /** One of its ends is somewhere else, as it is seen; `letGo` keeps that. */
  const hold = (edge: Edge, ms: number): void => void (held.value = within(edge, ms));
  async function letGo(): Promise<void> {
    const to = held.value;
    if (to) await set(to);
    held.value = null;
  }
  const giveUp = (): void => void (held.value = null);
  /** Begins, or ends, at a moment. */
  const setEnd = (edge: Edge, ms: number): Promise<void> => set(within(edge, ms));
  return { kept, shown, inside, within, set, setEnd, hold, letGo, giveUp };
});

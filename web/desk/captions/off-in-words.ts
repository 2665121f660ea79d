/** How a track stands beside its sound, as a sentence. */
import type { OffSound } from '../../../core/audio/off-sound.ts';

/** `2.1 s later`, `0.6 s earlier`. */
const lateness = (ms: number): string => `${(Math.abs(ms) / 1000).toFixed(1)} s ${ms < 0 ? 'earlier' : 'later'}`;

/** @param clock a time in ms as it is shown */
export function offInWords(off: OffSound, clock: (ms: number) => string): string {
  const than = 'than somebody begins to speak';
  switch (off.kind) {
    case 'steady':
      return off.whole
        ? `All captions begin about ${lateness(off.by)} ${than}.`
        : `From ${clock(off.from)} on captions begin about ${lateness(off.by)} ${than}.`;
    case 'drift':
      return `Captions drift away from the sound: ${lateness(off.first)} at the beginning, ${lateness(off.last)} at the end.`;
    case 'parts':
      return `From ${clock(off.from)} to ${clock(off.until)} captions begin between ${lateness(off.least)} and ${lateness(off.most)} ${than}.`;
  }
}

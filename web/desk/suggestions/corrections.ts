/** One correction, and the other places where the same was wrong. */
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { isStillThere, correctionOf, sameElsewhere, type Correction } from '../../../core/find/corrections.ts';
import type { MatchInTrack } from '../../../core/find/replace.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { replaceIn } from './replacing.ts';

export interface OfferedCorrection {
  readonly correction: Correction;
  /** The caption that was corrected by hand. */
  readonly caption: string;
  readonly places: readonly MatchInTrack[];
}

/** A correction is looked at so long after the last key, in ms. */
const settled = 700;

export const useCorrections = defineStore('corrections', () => {
  const track = useTrack();
  const messages = useMessages();
  const offer = shallowRef<OfferedCorrection | null>(null);
  /** The places are being chosen among. */
  const choosing = ref(false);
  /** The caption that is being written in, as it was before. */
  let began: Caption | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;

  /** Looks what was corrected between two states of a caption, and where else it stands. */
  function look(before: Caption, after: Caption): void {
    began = null;
    const correction = correctionOf(before.text, after.text, track.track?.language ?? null);
    if (!correction) return;
    const places = sameElsewhere(track.captions, correction, after.id);
    offer.value = places.length > 0 ? { correction, caption: after.id, places } : null;
    choosing.value = false;
  }

  function settle(): void {
    clearTimeout(timer);
    const before = began;
    const after = before && track.captions.find((c) => c.id === before.id);
    if (before && after) look(before, after);
  }

  /** A caption is being written in. @param before as it was before this key */
  function typing(before: Caption): void {
    if (began && began.id !== before.id) settle();
    began ??= before;
    clearTimeout(timer);
    timer = setTimeout(settle, settled);
  }

  function leave(): void {
    offer.value = null;
    choosing.value = false;
  }

  // A correction that was taken back is nothing to repeat.
  watch(
    () => track.captions,
    (captions) => {
      const now = offer.value;
      const corrected = now && captions.find((c) => c.id === now.caption);
      if (now && !(corrected && isStillThere(now.correction, corrected))) leave();
    },
  );

  /** Corrects the same in these places too, as one step. */
  async function correctIn(places: readonly MatchInTrack[]): Promise<void> {
    const now = offer.value;
    if (!now || !track.editable) return;
    leave();
    if (!(await replaceIn(places, now.correction.now, false))) {
      messages.remark = 'Those captions have been changed since, so nothing was changed in them.';
      return;
    }
    messages.remark = `“${now.correction.was}” became “${now.correction.now}” in ${places.length === 1 ? 'one more place' : `${String(places.length)} more places`}.`;
  }

  return { offer, choosing, look, typing, settle, leave, correctIn };
});

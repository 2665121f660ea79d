/** Listening that was asked for before the sound was there: it begins as soon as that can be. */
import { shallowRef, watch, type Ref } from 'vue';
import type { Caption } from '../../../core/model/caption.ts';

interface Asked {
  readonly captions: readonly Caption[];
  /** Ids of those that are listened for, so that the others are found beside them, and stay where they are. */
  readonly stay: readonly string[];
}

/** @param whyNot why nothing can be listened for; null where it can */
export function listeningSoon(whyNot: Readonly<Ref<string | null>>, listen: (asked: Asked) => Promise<void>) {
  const waiting = shallowRef<Asked | null>(null);
  watch([waiting, whyNot], ([now, why]) => {
    if (!now || why !== null) return;
    waiting.value = null;
    void listen(now);
  });
  return {
    begin: (captions: readonly Caption[], stay: readonly string[]): void => void (waiting.value = { captions, stay }),
    forget: (): void => void (waiting.value = null),
  };
}

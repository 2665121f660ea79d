/** Work that can wait until the page has nothing to do for the person in front of it. */
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue';

/** The next turn of the page, so that what it has to show comes first. */
export const nextTurn = (): Promise<void> => new Promise((go) => setTimeout(go));

/** After so many ms what waits is done however busy the page is. */
const busy = 1000;

/** Runs work when the page is idle, and in any case after `within` ms. @returns takes it back */
export function whenIdle(work: () => void, within: number): () => void {
  // Not every browser tells when it is idle.
  if (typeof requestIdleCallback === 'undefined') {
    const timer = setTimeout(work, Math.min(within, 50));
    return () => clearTimeout(timer);
  }
  const handle = requestIdleCallback(work, { timeout: within });
  return () => cancelIdleCallback(handle);
}

/**
 * Runs work when the page is idle after it was asked for; asked for again before that, it still runs
 * once. Goes with the scope it is made in.
 */
export function useWhenIdle(work: () => void): () => void {
  let cancel: (() => void) | null = null;
  onScopeDispose(() => cancel?.());
  return () => {
    cancel ??= whenIdle(() => {
      cancel = null;
      work();
    }, busy);
  };
}

/**
 * Runs work in the next frame, once for all that has changed by then; asked for again before that, it stays with the one
 * that is to come. Goes with the scope it is made in.
 */
export function useNextFrame(work: () => void): () => void {
  let frame = 0;
  onScopeDispose(() => cancelAnimationFrame(frame));
  return () => {
    frame ||= requestAnimationFrame(() => {
      frame = 0;
      work();
    });
  };
}

/**
 * A value worked out when the page is idle: at once to begin with, then some moments after what it is
 * `of` has changed. Until then it is what it was.
 */
export function useIdleValue<T>(of: () => unknown, value: () => T): Readonly<ShallowRef<T>> {
  const shown = shallowRef(value());
  watch(
    of,
    useWhenIdle(() => (shown.value = value())),
  );
  return shown;
}

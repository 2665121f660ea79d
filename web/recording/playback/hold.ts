/**
 * Playback that waits while somebody types: held with the first key, and on again a moment after the last.
 *
 * - `off`: nothing is held.
 * - `ready`: it was paused for somebody to type, who has not begun yet.
 * - `holding`: keys have come; it goes on when none has come for a while.
 */

/** Playback goes on by itself so long after the last key, in ms. */
export const goesOnAfter = 900;

export interface Hold {
  readonly state: () => 'off' | 'ready' | 'holding';
  /** It waits for somebody to type; stays held for as long as they do not. */
  readonly wait: () => void;
  /** A key was typed: it goes on a moment after the last. */
  readonly key: () => void;
  /** Nothing is held any more. */
  readonly end: () => void;
}

/** @param goOn called when no key has come for a while */
export function holdWhileTyping(goOn: () => void): Hold {
  let ready = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  function end(): void {
    clearTimeout(timer);
    timer = undefined;
    ready = false;
  }
  return {
    state: () => (timer !== undefined ? 'holding' : ready ? 'ready' : 'off'),
    wait() {
      end();
      ready = true;
    },
    key() {
      clearTimeout(timer);
      timer = setTimeout(() => {
        end();
        goOn();
      }, goesOnAfter);
    },
    end,
  };
}

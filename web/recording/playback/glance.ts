/** The picture at one moment after another, as fast as it comes: what is overtaken meanwhile is left out. */
import type { Ref } from 'vue';

export interface Glances {
  /** Shows the picture at a time in ms. */
  readonly at: (ms: number) => void;
  /** Somebody goes elsewhere: what was still to be shown is not. */
  readonly forget: () => void;
}

export function glances(element: Readonly<Ref<HTMLMediaElement | null>>, seek: (ms: number) => void): Glances {
  /** Where the picture is to be next, while it is still on its way to where it was to be before, in ms. */
  let onward: number | null = null;
  return {
    at(ms) {
      const media = element.value;
      if (!media?.seeking) {
        seek(ms);
        return;
      }
      if (onward === null)
        media.addEventListener(
          'seeked',
          () => {
            const to = onward;
            onward = null;
            if (to !== null) seek(to);
          },
          { once: true },
        );
      onward = ms;
    },
    forget() {
      onward = null;
    },
  };
}

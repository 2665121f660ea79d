/** Measures of captions, taken once: captions are values, and pages ask for the same ones at every key. */
import { measure, type Counting, type Measures } from '../../core/text/measures.ts';
import type { Caption } from '../../core/model/caption.ts';

/** Remembers for one way of counting at a time. It only saves time: asked again, it would say the same. */
function measuring(): (caption: Caption, counting: Counting) => Measures {
  let known = new WeakMap<Caption, Measures>();
  let under: Counting | null = null;
  return (caption, counting) => {
    if (under !== counting) {
      known = new WeakMap();
      under = counting;
    }
    let found = known.get(caption);
    if (!found) known.set(caption, (found = measure(caption, counting)));
    return found;
  };
}

/** What {@link measure} gives for a caption. */
export const measuresOf = measuring();

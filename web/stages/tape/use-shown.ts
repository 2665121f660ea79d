/** The captions that are on the page of the tape, with what is being dragged or tried where it would be. */
import { computed } from 'vue';
import { lanesOf } from '../../../core/timing/drag/lanes.ts';
import { captionAt, type Caption } from '../../../core/model/caption.ts';
import { withMoved } from '../../desk/captions/retiming.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTried } from '../../data/tracks/tried.ts';
import { useTapeView } from './tape-view.ts';

/** More blocks than this are drawn as bars: they are too small to be read, and too many to be put up. */
const mostBlocks = 60;
/** How many captions before the page are looked at for one that reaches into it. */
const before = 20;

/** Px that what stands beside a caption needs. */
const besideRoom = 18;

export function useShown() {
  const view = useTapeView();
  const cursor = useCursor();
  const tried = useTried();

  const captions = computed(() => withMoved(tried.captions, tried.dragged));
  /** The places of the captions that are timed and on the page. */
  const shown = computed(() => {
    const all = captions.value;
    const first = Math.max(0, captionAt(all, view.from) - before);
    const last = captionAt(all, view.until);
    const places: { readonly index: number; readonly caption: Caption }[] = [];
    for (let index = first; index <= last; index++) {
      const caption = all[index];
      if (caption && caption.end > view.from && caption.timing === 'set') places.push({ index, caption });
    }
    return places;
  });
  const asBars = computed(() => shown.value.length > mostBlocks);
  const blocks = computed(() => {
    if (asBars.value) return [];
    const lanes = lanesOf(shown.value.map((s) => s.caption));
    return shown.value.map((s, i) => ({ ...s, lane: lanes[i]?.lane ?? 0, lanes: lanes[i]?.of ?? 1 }));
  });
  /** Captions whose words beside them would stand on those of another; the cursor caption's are never left out. */
  const crowded = computed(() => {
    const least = besideRoom / view.perMs;
    const here = cursor.caption;
    let last = -Infinity;
    const left = new Set<string>();
    for (const { caption } of blocks.value) {
      if (caption.id === here?.id) last = caption.start;
      else if (caption.start - last < least || (here && Math.abs(caption.start - here.start) < least))
        left.add(caption.id);
      else last = caption.start;
    }
    return left;
  });
  return { shown, asBars, blocks, crowded };
}

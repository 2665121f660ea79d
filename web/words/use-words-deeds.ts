/** What commands do in Words. */
import type { Deeds } from '../commands/commands.ts';
import { usePreferences } from '../stores/preferences.ts';
import { useTrack } from '../stores/track.ts';
import { onSurface } from './on-surface.ts';
import { useDoubt } from './use-doubt.ts';
import { useFind } from './use-find.ts';
import { useHeard } from './use-heard.ts';
import { useCorrections } from './use-corrections.ts';
import { useSeveral } from '../captions/use-several.ts';

export function useWordsDeeds(): Pick<
  Deeds,
  'give' | 'mark' | 'capital' | 'heard' | 'extend' | 'doubtful' | 'suggest' | 'find' | 'mendSame' | 'turn' | 'several'
> {
  const track = useTrack();
  const preferences = usePreferences();
  const doubt = useDoubt();
  const find = useFind();
  const mends = useCorrections();
  const several = useSeveral();
  const heard = useHeard();

  /** Does something on the surface, or says where that is. */
  const there = (deed: () => void): void => {
    if (onSurface.value) deed();
    else track.remark = 'Go to Words for this.';
  };

  return {
    give: (to) => there(() => onSurface.value?.give(to)),
    mark: (kind) => there(() => onSurface.value?.mark(kind)),
    heard: () => there(heard),
    capital: () => there(() => onSurface.value?.capital()),
    extend: (by) => there(() => onSurface.value?.extend(by)),
    doubtful: () => there(() => doubt.next()),
    suggest: () => there(() => doubt.suggestHere()),
    find: () => there(() => find.start()),
    turn: () => there(() => (preferences.reading = preferences.reading === 'lines' ? 'text' : 'lines')),
    mendSame() {
      mends.settle();
      if (mends.offer) void mends.mendIn(mends.offer.places);
      else track.remark = 'There is no mend to repeat: mend a word, and the other places are offered.';
    },
    several: (deed) => several[deed](),
  };
}

/** What an undo changed comes into sight, where the stage shows captions by their place. */
import { watch } from 'vue';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';

/** Goes to the first caption that an undo changed and that is still there, while the component lives. */
export function useUndoInSight(): void {
  const track = useTrack();
  const cursor = useCursor();
  watch(
    () => track.lastChange,
    (change) => {
      const id = change?.by === 'undo' ? change.ids.find((c) => track.captions.some((one) => one.id === c)) : undefined;
      if (id) cursor.goTo(id, 'chosen');
    },
  );
}

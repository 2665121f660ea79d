/** The word just heard: playback holds, and the word stands selected, to be typed over. */
import { heardAt, heardBefore, type WordPosition } from '../../../core/model/heard.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useShownSurface } from '../../desk/text/shown-surface.ts';

/** Nobody presses a key sooner after hearing something, in ms (simple reaction to sound is about 150 to 250; from memory). */
const reaction = 200;

export function useHeard() {
  const track = useTrack();
  const shown = useShownSurface();
  const messages = useMessages();
  const cursor = useCursor();
  const playback = usePlayback();
  /** The word that was brought up last, and the move of the playhead before it. */
  let last: { readonly word: WordPosition; readonly moves: number } | null = null;

  /** Brings up the word just heard; asked for again, the one before it. */
  function heard(): void {
    const surface = shown.surface;
    if (!surface) return;
    const runs = playback.runs();
    const again = last?.moves === playback.moves() && isSelected(last.word) ? last.word : null;
    const word = again
      ? heardBefore(track.captions, again)
      : heardAt(track.captions, playback.time - (runs ? reaction * playback.rate : 0));
    const caption = word && track.captions[word.index];
    if (!word || !caption) {
      messages.remark = 'No word has been said here yet.';
      return;
    }
    playback.holdForTyping();
    last = { word, moves: playback.moves() };
    cursor.goTo(caption.id, 'chosen');
    surface.take(caption.id, word.from, word.to);
  }

  function isSelected({ index, from, to }: WordPosition): boolean {
    const chosen = shown.surface?.chosen();
    return chosen?.id === track.captions[index]?.id && chosen?.from === from && chosen.to === to;
  }

  return heard;
}

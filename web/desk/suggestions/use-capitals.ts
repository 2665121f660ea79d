/**
 * Capitals that come by themselves: where a sentence end is typed, what follows begins with one, be it in
 * the caption below. It is a step of its own, so that one undo takes it back and leaves the sign; and it
 * goes again when the sign does, or becomes an ellipsis. A proofed caption stays so: what was heard in it
 * is the same.
 */
import { signEndsSentence, openingCapital, type Resized } from '../../../core/languages/capitals.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { Edit, Splice } from '../../../core/model/edits.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';

/** A capital that was made, and the sign it was made for. */
interface Made {
  readonly sign: { readonly caption: string; readonly at: number };
  readonly letter: Resized & { readonly caption: string; readonly was: string };
}

/** Whether a change takes a sign away, or makes the first dot of an ellipsis of it. */
function undoes({ id, from, to, insert }: Splice, { sign }: Made): boolean {
  if (id !== sign.caption) return false;
  return insert === '' ? from <= sign.at && to > sign.at : insert === '.' && from === sign.at + 1 && to === from;
}

export function useCapitals() {
  const track = useTrack();
  const preferences = usePreferences();
  let made: Made | null = null;

  function resize(caption: string, { from, to, insert }: Resized): void {
    track.change({ type: 'splice', id: caption, from, to, insert, keeps: true });
  }

  /** The letter a sentence begins with that ends before an offset: here, or in the caption below. */
  function next(captions: readonly Caption[], index: number, at: number): Made['letter'] | null {
    const language = track.track?.language ?? null;
    const here = captions[index];
    const isLast = here !== undefined && !/[\p{L}\p{N}]/u.test(here.text.slice(at));
    const caption = isLast ? captions[index + 1] : here;
    const change = caption && openingCapital(caption.text, isLast ? 0 : at, language);
    return change ? { ...change, caption: caption.id, was: caption.text.slice(change.from, change.to) } : null;
  }

  function putBack({ letter }: Made, by: Splice): void {
    const moved = letter.caption === by.id && letter.from >= by.to ? by.insert.length - (by.to - by.from) : 0;
    const from = letter.from + moved;
    const to = from + letter.insert.length;
    if (track.captions.find((c) => c.id === letter.caption)?.text.slice(from, to) === letter.insert)
      resize(letter.caption, { from, to, insert: letter.was });
  }

  /** Something was typed; call it once the text shows it. */
  function typed(edit: Edit): void {
    const before = made;
    made = null;
    if (edit.type !== 'splice') return;
    if (before && undoes(edit, before)) {
      putBack(before, edit);
      return;
    }
    if (!preferences.capitals || !/^[.?!]$/.test(edit.insert)) return;
    const index = track.captions.findIndex((c) => c.id === edit.id);
    const at = edit.from + 1;
    if (!signEndsSentence(track.captions[index]?.text ?? '', at, track.track?.language ?? null)) return;
    const letter = next(track.captions, index, at);
    if (!letter) return;
    made = { sign: { caption: edit.id, at: edit.from }, letter };
    resize(letter.caption, letter);
  }

  return { typed };
}

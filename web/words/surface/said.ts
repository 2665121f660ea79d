/** The word that is being said, and places that were found: shown on the text, never part of it. */
import { StateEffect, StateField } from '@codemirror/state';
import { Decoration, EditorView, type DecorationSet } from '@codemirror/view';

interface Shown {
  readonly from: number;
  readonly to: number;
}

/** Document positions of the word that is being said; null where none is. */
export const setSaid = StateEffect.define<Shown | null>();
/** Places that were found, in document positions and in order, and the one that is gone to. */
export const setFound = StateEffect.define<{ readonly places: readonly Shown[]; readonly now: number }>();

const saidMark = Decoration.mark({ class: 'said' });
const foundMark = Decoration.mark({ class: 'found' });
const foundNow = Decoration.mark({ class: 'found found-now' });

const saidField = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(value, tr) {
    let next = tr.docChanged ? value.map(tr.changes) : value;
    for (const effect of tr.effects)
      if (effect.is(setSaid))
        next =
          effect.value && effect.value.to > effect.value.from && effect.value.to <= tr.newDoc.length
            ? Decoration.set(saidMark.range(effect.value.from, effect.value.to))
            : Decoration.none;
    return next;
  },
  provide: (field) => EditorView.decorations.from(field),
});

const foundField = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(value, tr) {
    let next = tr.docChanged ? value.map(tr.changes) : value;
    for (const effect of tr.effects)
      if (effect.is(setFound)) {
        const { places, now } = effect.value;
        next = Decoration.set(
          places.flatMap(({ from, to }, i) =>
            to > from && to <= tr.newDoc.length ? [(i === now ? foundNow : foundMark).range(from, to)] : [],
          ),
        );
      }
    return next;
  },
  provide: (field) => EditorView.decorations.from(field),
});

export const shown = [saidField, foundField];

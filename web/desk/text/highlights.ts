/** The word that is being said, and places that were found: shown on the text, never part of it. */
import { StateEffect, StateField, type EditorState, type Extension } from '@codemirror/state';
import { Decoration, EditorView, ViewPlugin, type DecorationSet, type ViewUpdate } from '@codemirror/view';
import type { MatchInTrack } from '../../../core/find/replace.ts';
import { spotAt } from './layout.ts';
import { layoutField } from './state.ts';

/** Document positions of the word that is being said; null where none is. */
export const setSpoken = StateEffect.define<{ readonly from: number; readonly to: number } | null>();

/** Places that were found, in order, and which of them was moved to. */
export interface ShownMatches {
  readonly places: readonly MatchInTrack[];
  readonly now: number;
}
export const setMatches = StateEffect.define<ShownMatches>();

const saidMark = Decoration.mark({ class: 'said' });
const foundMark = Decoration.mark({ class: 'found' });
const foundNow = Decoration.mark({ class: 'found found-now' });

const saidField = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(value, tr) {
    let next = tr.docChanged ? value.map(tr.changes) : value;
    for (const effect of tr.effects)
      if (effect.is(setSpoken))
        next =
          effect.value && effect.value.to > effect.value.from && effect.value.to <= tr.newDoc.length
            ? Decoration.set(saidMark.range(effect.value.from, effect.value.to))
            : Decoration.none;
    return next;
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** What was found, by the id of its caption. */
interface Shelf {
  readonly byCaption: ReadonlyMap<string, readonly MatchInTrack[]>;
  readonly now: MatchInTrack | null;
}
const nothing: Shelf = { byCaption: new Map(), now: null };

function shelved({ places, now }: ShownMatches): Shelf {
  const byCaption = new Map<string, MatchInTrack[]>();
  for (const place of places) {
    const list = byCaption.get(place.caption);
    if (list) list.push(place);
    else byCaption.set(place.caption, [place]);
  }
  return { byCaption, now: places[now] ?? null };
}

const foundField = StateField.define<Shelf>({
  create: () => nothing,
  update(value, tr) {
    for (const effect of tr.effects) if (effect.is(setMatches)) return shelved(effect.value);
    return value;
  },
});

/** Marks what was found where it is in sight; a track can hold thousands of places. */
function foundIn(view: EditorView): DecorationSet {
  const { byCaption, now } = view.state.field(foundField);
  if (byCaption.size === 0) return Decoration.none;
  const layout = view.state.field(layoutField);
  const last = spotAt(layout, view.viewport.to).index;
  const ranges = [];
  for (let i = spotAt(layout, view.viewport.from).index; i <= last; i++) {
    const caption = layout.captions[i];
    const start = layout.starts[i] ?? 0;
    // What was typed since the search is not known to it yet.
    for (const place of (caption && byCaption.get(caption.id)) ?? [])
      if (caption?.text.startsWith(place.groups[0] ?? '', place.from))
        ranges.push((place === now ? foundNow : foundMark).range(start + place.from, start + place.to));
  }
  return Decoration.set(ranges);
}

const foundMarks = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet;
    constructor(view: EditorView) {
      this.decorations = foundIn(view);
    }
    update(update: ViewUpdate): void {
      const told = update.startState.field(foundField) !== update.state.field(foundField);
      if (told || update.docChanged || update.viewportChanged) this.decorations = foundIn(update.view);
    }
  },
  { decorations: (plugin) => plugin.decorations },
);

export const shown: Extension = [saidField, foundField, foundMarks];

/** For a state that takes over from another: the same is shown in it. */
export const shownIn = (state: EditorState): Extension => [
  saidField.init(() => state.field(saidField)),
  foundField.init(() => state.field(foundField)),
];

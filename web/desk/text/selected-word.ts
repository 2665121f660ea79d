/**
 * A word that was brought up by key: selected, to be typed over. A sign typed then goes after it and does
 * not take its place, since nobody replaces a word by a comma.
 */
import { StateEffect, StateField, type Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';

interface SelectedWord {
  readonly from: number;
  readonly to: number;
}

/** Goes along with the transaction that selects the word. */
export const setSelectedWord = StateEffect.define<SelectedWord>();

const takenField = StateField.define<SelectedWord | null>({
  create: () => null,
  update(value, tr) {
    for (const effect of tr.effects) if (effect.is(setSelectedWord)) return effect.value;
    if (!value || (!tr.docChanged && !tr.selection)) return value;
    // It stays for as long as it is what is selected: with a capital by key, for one.
    const [from, to] = [tr.changes.mapPos(value.from, 1), tr.changes.mapPos(value.to, -1)];
    const { main } = tr.newSelection;
    return main.from === from && main.to === to && to > from ? { from, to } : null;
  },
});

const signs = /^[.,?!;:…。、！？؟،]$/u;

export const taken: Extension = [
  takenField,
  EditorView.inputHandler.of((view, from, to, text) => {
    const word = view.state.field(takenField);
    if (word?.from !== from || word.to !== to || from === to || !signs.test(text)) return false;
    view.dispatch({
      changes: { from: to, insert: text },
      selection: { anchor: to + text.length },
      userEvent: 'input.type',
      scrollIntoView: true,
    });
    return true;
  }),
];

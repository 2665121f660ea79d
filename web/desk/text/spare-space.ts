/**
 * A word that was deleted by key leaves the spaces of both its sides. While the cursor stays there, another word may
 * be typed in its place, and both are wanted; once it goes elsewhere, the spare one goes too.
 */
import type { EditorState, Extension } from '@codemirror/state';
import { ViewPlugin, type EditorView, type ViewUpdate } from '@codemirror/view';

/** The space too many at a place of the document, where there is one: beside another, or at either end of a line. */
export function spareSpaceAt(state: EditorState, at: number): { readonly from: number; readonly to: number } | null {
  if (at > state.doc.length) return null;
  const { from, to, text } = state.doc.lineAt(at);
  const [before, after] = [text[at - from - 1], text[at - from]];
  if (after === ' ' && (at === from || before === ' ')) return { from: at, to: at + 1 };
  return before === ' ' && at === to && at > from ? { from: at - 1, to: at } : null;
}

class SpareSpace {
  /** Where a word was deleted last; null where nothing is spare. */
  private at: number | null = null;

  update(update: ViewUpdate): void {
    const { view, transactions, state } = update;
    if (update.docChanged) {
      const { main } = state.selection;
      const isDeleted = transactions.some((tr) => tr.isUserEvent('delete')) && main.empty;
      if (isDeleted && spareSpaceAt(state, main.head)) this.at = main.head;
      // What is typed there takes the place of the word.
      else if (this.at !== null) this.at = update.changes.touchesRange(this.at) ? null : update.changes.mapPos(this.at);
      return;
    }
    const left = update.focusChanged || (update.selectionSet && state.selection.main.head !== this.at);
    if (this.at === null || !left) return;
    const { at } = this;
    this.at = null;
    // An update cannot begin another; the next turn can.
    setTimeout(() => {
      this.take(view, at);
    });
  }

  private take(view: EditorView, at: number): void {
    const spare = view.composing || !view.dom.isConnected ? null : spareSpaceAt(view.state, at);
    if (spare) view.dispatch({ changes: spare, userEvent: 'delete.space' });
  }
}

/** Takes spare spaces away after words that were deleted. */
export const spareSpace: Extension = ViewPlugin.define(() => new SpareSpace());

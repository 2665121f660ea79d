/** What the text surface is made of, as extensions of its editor. */
import { defaultKeymap } from '@codemirror/commands';
import { EditorState, Prec, type Extension } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import { keyboardHome } from '../../ui/controls/keyboard-back.ts';
import { clipboard, longestPaste } from './clipboard.ts';
import { controlClick } from './control-click.ts';
import { decorations } from './decorations.ts';
import { joinKey, paste, splitKey } from './edit-commands.ts';
import { editsFromChanges } from './edits-from-changes.ts';
import { shown } from './highlights.ts';
import { selectUpTo } from './in-view.ts';
import { tells } from './listeners.ts';
import { margins } from './margins.ts';
import { readingExtension } from './running-text.ts';
import { taken } from './selected-word.ts';
import { spareSpace } from './spare-space.ts';
import { fromTrack } from './state.ts';
import type { SurfaceOptions } from './surface-options.ts';

const keys = (options: SurfaceOptions): Extension => [
  Prec.highest(
    keymap.of([
      { key: 'Enter', run: (view) => splitKey(view, options) },
      {
        key: 'Shift-Enter',
        run: (view) => (view.dispatch(view.state.replaceSelection('\n'), { userEvent: 'input' }), true),
      },
      { key: 'Backspace', run: (view) => joinKey(view, options, 'above') },
      { key: 'Delete', run: (view) => joinKey(view, options, 'below') },
    ]),
  ),
  // The page's own commands use keys that this set would take for itself.
  keymap.of(
    defaultKeymap.filter(
      (binding) => !/^(Ctrl-k|Mod-\[|Mod-\]|Mod-Enter|Ctrl-Space|Alt-Arrow|Shift-Alt)/.test(binding.key ?? ''),
    ),
  ),
];

const field = (nonce: string): Extension => [
  EditorView.lineWrapping,
  EditorView.perLineTextDirection.of(true),
  EditorView.cspNonce.of(nonce),
  EditorView.contentAttributes.of({
    tabindex: '0',
    [keyboardHome]: '',
    spellcheck: 'true',
    autocorrect: 'off',
    autocapitalize: 'off',
  }),
  EditorState.allowMultipleSelections.of(false),
];

const composing = ({ onComposing }: SurfaceOptions, composed: () => void): Extension =>
  EditorView.domEventHandlers({
    // A browser gives a text that gets the keyboard back a cursor at its beginning. On a busy machine that
    // would be taken for somebody's choice; focusing from here puts the selection back at once.
    focus: (_, view) => {
      view.focus();
      return false;
    },
    compositionstart: () => {
      onComposing(true);
      return false;
    },
    compositionend: () => {
      setTimeout(() => {
        onComposing(false);
        composed();
      });
      return false;
    },
  });

/**
 * @param viewOf the view, once there is one
 * @param composed an input method has come to its end
 */
export const extensionsOf = (options: SurfaceOptions, viewOf: () => EditorView, composed: () => void): Extension => [
  editsFromChanges,
  keys(options),
  field(options.nonce),
  EditorState.changeFilter.of((tr) => tr.annotation(fromTrack) === true || options.editable()),
  margins((id, upTo) => {
    if (upTo) selectUpTo(viewOf(), id);
    else options.onTime(id);
  }),
  readingExtension,
  shown,
  taken,
  clipboard((text) => {
    if (text.length <= longestPaste) return paste(viewOf(), options, text);
    options.onTooMuch(text);
    return true;
  }),
  decorations,
  spareSpace,
  tells(options),
  controlClick(options.onHear),
  EditorView.scrollMargins.of(() => ({ bottom: options.covered() })),
  composing(options, composed),
];

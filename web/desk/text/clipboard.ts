/** What comes from the clipboard and what goes there. */
import { EditorView } from '@codemirror/view';
import type { Extension } from '@codemirror/state';
import { layoutField } from './state.ts';

/** More characters than this are no paste but a file, and are asked for as one. */
export const longestPaste = 200_000;

/** Text without signs that nobody sees and some platforms refuse; marks of direction stay, since Arabic and Hebrew need them. */
export const cleaned = (text: string): string =>
  text
    .replace(/\r\n?|[\u2028\u2029\u000b\u000c]/g, '\n')
    .replace(/\t/g, ' ')
    .replace(/[\u0000-\u0009\u000e-\u001f\u007f-\u009f\ufeff\ufff9-\ufffb]/g, '');

/**
 * The captions a pasted text asks for: parted by blank lines where there are some, else by lines.
 * @param mostLines a caption may have: as many lines stay lines of one caption
 * @returns null where it is text for inside a caption
 */
export function linesToPaste(text: string, mostLines: number): readonly string[] | null {
  const plain = cleaned(text).trim();
  const blocks = plain.split(/\n[ ]*\n\s*/).map((block) => block.replace(/\s*\n\s*/g, ' ').trim());
  if (blocks.length > 1) return blocks.filter(Boolean);
  const lines = plain
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  return lines.length > mostLines ? lines : null;
}

/** Text as it is copied: a blank line between captions, so that they come back as captions. */
const parted = EditorView.clipboardOutputFilter.of((text, state) => {
  const { from, to } = state.selection.main;
  if (from === to) return text;
  const { captions, starts } = state.field(layoutField);
  const parts = captions.flatMap((caption, i) => {
    const start = starts[i] ?? 0;
    if (start > to || start + caption.text.length < from) return [];
    return [caption.text.slice(Math.max(0, from - start), Math.max(0, to - start))];
  });
  return parts.join('\n\n');
});

/** @param onLines told the lines of a paste that is more than one caption; true when it was taken care of */
export const clipboard = (onLines: (text: string) => boolean): Extension => [
  parted,
  EditorView.clipboardInputFilter.of(cleaned),
  EditorView.domEventHandlers({
    paste(event) {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (!onLines(text)) return false;
      event.preventDefault();
      return true;
    },
  }),
];

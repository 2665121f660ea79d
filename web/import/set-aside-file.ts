/** What could not be kept, as files a person can take away. */
import { pushAll } from '../../core/text/push-all.ts';
import { writeTrackFile } from '../../core/formats/track-file/track-file.ts';
import type { Caption, Track } from '../../core/model/caption.ts';
import type { Edit } from '../../core/model/edits.ts';
import type { LeftChanges } from '../data/sync/left-edits.ts';

/** The words an edit carries, for somebody who reads the file. */
function wordsOf(edit: Edit): readonly string[] {
  switch (edit.type) {
    case 'together':
      return edit.edits.flatMap(wordsOf);
    case 'splice':
      return edit.insert === '' ? [] : [edit.insert];
    case 'insert':
    case 'replace':
    case 'setCaptions':
      return edit.captions.map((c) => c.text);
    case 'keepVersion':
      return edit.caption ? [edit.caption.text] : [];
    default:
      return [];
  }
}

/** The words that edits carry; what was typed in one go is one text, however many edits it went in. */
export function wordsOfAll(edits: readonly Edit[]): readonly string[] {
  const words: string[] = [];
  let typed = null as { readonly id: string; readonly end: number } | null;
  for (const edit of edits) {
    if (edit.type !== 'splice') {
      pushAll(words, wordsOf(edit));
      typed = null;
      continue;
    }
    if (edit.insert === '') continue;
    if (typed?.id === edit.id && typed.end === edit.from) words.push((words.pop() ?? '') + edit.insert);
    else words.push(edit.insert);
    typed = { id: edit.id, end: edit.from + edit.insert.length };
  }
  return words;
}

/** Changes that were set aside: the words first, then the edits whole. */
export function setAsideFile({ reason, at, edits }: Pick<LeftChanges, 'reason' | 'at' | 'edits'>): string {
  const content = { reason, at: at === null ? null : new Date(at).toISOString(), words: wordsOfAll(edits), edits };
  return `${JSON.stringify(content, null, 2)}\n`;
}

/** The captions of this page as a track file. */
export const trackFileOf = ({ name, language, foreign }: Track, captions: readonly Caption[]): string =>
  writeTrackFile({ captions, title: name, language, foreign });

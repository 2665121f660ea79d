/** Commands found by what somebody types: parts of words in any order, other words for a thing, typing errors. */
import MiniSearch from 'minisearch';
import type { Command } from './command.ts';

/** What people call things that Fenwix calls otherwise: words of titles, and what is typed for them. */
const otherWords: readonly (readonly [inTitle: RegExp, typed: string])[] = [
  [
    /times?\b|tim(ed|ing)|later|frame rate|ties?\b/i,
    'sync synchronise synchronize resync align alignment late early delay offset',
  ],
  [/listen and place|listen, and place|by (its|the) sound/i, 'sync auto automatic align alignment recognise speech'],
  [/shift/i, 'move offset delay late early'],
  [/captions?\b/i, 'subtitle subtitles line cue'],
  [/capital|sentence|mark/i, 'punctuation comma full stop'],
  [/split/i, 'cut divide break separate'],
  [/join|together/i, 'merge combine unite'],
  [/delete/i, 'remove erase'],
  [/play|faster|slower/i, 'speed rate playback'],
  [/track/i, 'language translation version'],
  [/style|keys/i, 'settings preferences options configuration shortcuts'],
  [/find/i, 'search replace'],
  [/handover/i, 'export download deliver send publish file'],
  [/import|recording/i, 'open upload load video audio'],
  [/undo|redo/i, 'back revert again'],
];

const wordsOf = (title: string): string =>
  otherWords.flatMap(([inTitle, typed]) => (inTitle.test(title) ? [typed] : [])).join(' ');

/** How many letters of a word may be wrong: two that changed places are two. */
const errorsIn = (word: string): number | false => (word.length > 5 ? 2 : word.length > 3 ? 1 : false);

/**
 * @param recent ids of commands that were run before, the last first
 * @returns finds commands, the likeliest first: all of them where nothing is typed
 */
export function commandSearch(
  commands: readonly Command[],
  recent: readonly string[],
): (typed: string) => readonly Command[] {
  const byId = new Map(commands.map((command) => [command.id, command]));
  const rank = new Map(recent.map((id, i) => [id, i]));
  const ordered = [...commands].sort((a, b) => (rank.get(a.id) ?? recent.length) - (rank.get(b.id) ?? recent.length));
  const index = new MiniSearch({
    fields: ['title', 'others'],
    searchOptions: {
      combineWith: 'AND',
      prefix: true,
      fuzzy: errorsIn,
      boost: { title: 3 },
    },
  });
  index.addAll(commands.map(({ id, title }) => ({ id, title, others: wordsOf(title) })));
  return (typed) => {
    const wanted = typed.trim().toLowerCase();
    if (wanted === '') return ordered;
    // What is typed as it stands in a title comes before all that is only alike.
    const asTyped = ordered.filter(({ title }) => title.toLowerCase().includes(wanted));
    const alike = index.search(wanted).flatMap(({ id }) => byId.get(id as string) ?? []);
    return [...new Set([...asTyped, ...alike])];
  };
}

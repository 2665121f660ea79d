/** What a file cannot hold of the captions that are to be written, counted before it is written. */
import type { Sheet } from './sheet.ts';
import type { Caption, MarkKind } from '../model/caption.ts';
import type { CarriedField } from '../model/carried.ts';
import { hasBlankLines, hasNoWords } from './cue.ts';
import { stampsOf, type Dialect } from './inline.ts';
import { own } from '../text/own.ts';

/** What can be lost: one, and several. */
const names = {
  italic: ['italic stretch', 'italic stretches'],
  bold: ['bold stretch', 'bold stretches'],
  underline: ['underlined stretch', 'underlined stretches'],
  colour: ['colour', 'colours'],
  language: ['change of language', 'changes of language'],
  class: ['style class', 'style classes'],
  ruby: ['annotated (ruby) stretch', 'annotated (ruby) stretches'],
  'ruby text': ['ruby annotation', 'ruby annotations'],
  speaker: ['speaker’s name', 'speakers’ names'],
  'word-times': ['caption’s word times', 'captions’ word times'],
  certainty: ['caption’s certainty of words', 'captions’ certainty of words'],
  times: ['caption’s times', 'captions’ times'],
  breaks: ['line break', 'line breaks'],
  placement: ['place on the picture', 'places on the picture'],
  provisional: ['caption that is not timed', 'captions that are not timed'],
  empty: ['caption without text', 'captions without text'],
  'no-duration': ['caption without duration', 'captions without duration'],
  'blank-lines': ['blank line inside a caption', 'blank lines inside captions'],
  'look-alike': ['text that would be taken for markup or times', 'texts that would be taken for markup or times'],
  unwritable: ['character that no file holds', 'characters that no file holds'],
  identifier: ['cue identifier', 'cue identifiers'],
  settings: ['cue’s settings', 'cues’ settings'],
  coordinates: ['caption’s coordinates', 'captions’ coordinates'],
  comment: ['comment', 'comments'],
  file: ['part of the file’s head', 'parts of the file’s head'],
} as const;

export type Lost = keyof typeof names;

export interface Loss {
  readonly what: Lost;
  readonly count: number;
  /** As in “12 colours”. */
  readonly message: string;
  /** What Fenwix knows of how captions came about, which no viewer would miss. */
  readonly workings: boolean;
}

const workings: ReadonlySet<Lost> = new Set<Lost>(['word-times', 'certainty']);

/** What a format holds. */
export interface Capabilities {
  /** Null where there is no markup at all. */
  readonly dialect: Pick<Dialect, 'mark' | 'voice'> | null;
  readonly times: boolean;
  readonly breaks: boolean;
  /** Whether the times of a caption's words are written. */
  readonly wordTimes: (caption: Caption) => boolean;
  readonly certainty: boolean;
  readonly placement: boolean;
  readonly provisional: boolean;
  readonly empty: boolean;
  readonly noDuration: boolean;
  readonly blankLines: boolean;
  /** Keys of `foreign` that are written back, of captions and of the sheet. */
  readonly foreign: readonly string[];
  /** Whether a text comes back as it was. */
  readonly text: (caption: Caption) => boolean;
}

/** A format that holds the words and nothing else; each says what it holds besides. */
export const onlyWords: Capabilities = {
  dialect: null,
  times: false,
  breaks: false,
  wordTimes: () => false,
  certainty: false,
  placement: false,
  provisional: false,
  empty: false,
  noDuration: true,
  blankLines: false,
  foreign: [],
  text: () => true,
};

/** What the keys of a caption's `foreign` hold. Keys not named here are notes of Fenwix's own to itself. */
const foreignNames: Readonly<Record<string, Lost>> = {
  vttId: 'identifier',
  vttSettings: 'settings',
  vttNotes: 'comment',
  srtCoordinates: 'coordinates',
};

/** Counts what `holds` has no place for. */
export function lossesOf(sheet: Sheet, holds: Capabilities): Loss[] {
  const found = new Map<Lost, number>();
  const lose = (what: Lost): void => void found.set(what, (found.get(what) ?? 0) + 1);
  for (const c of sheet.captions) countCaption(c, holds, lose);
  for (const key of Object.keys(sheet.foreign ?? {})) if (!holds.foreign.includes(key)) lose('file');
  return [...found].map(([what, count]) => loss(what, count));
}

/** Of one kind, in words. */
export const loss = (what: Lost, count: number): Loss => ({
  what,
  count,
  message: `${String(count)} ${names[what][count === 1 ? 0 : 1]}`,
  workings: workings.has(what),
});

type Count = (c: Caption, holds: Capabilities, lose: (what: Lost) => void) => void;

/** Lost with another field, or what no file for viewers has a place for and nobody would look for there. */
const notCounted: Count = () => undefined;

/** What is lost of each field of a caption that is written. */
const countField: Readonly<Record<CarriedField, Count>> = {
  start: (_, holds, lose) => {
    if (!holds.times) lose('times');
  },
  // Lost with the start.
  end: notCounted,
  timing: (c, holds, lose) => {
    if (c.timing === 'provisional' && holds.times && !holds.provisional) lose('provisional');
  },
  text: (c, holds, lose) => {
    if (!holds.breaks) for (let i = c.text.indexOf('\n'); i >= 0; i = c.text.indexOf('\n', i + 1)) lose('breaks');
    else if (!holds.blankLines && hasBlankLines(c.text)) lose('blank-lines');
    if (!holds.text(c)) lose('look-alike');
  },
  placement: (c, holds, lose) => {
    if (c.placement !== null && !holds.placement) lose('placement');
  },
  marks: (c, holds, lose) => {
    for (const m of c.marks) if (!holds.dialect?.mark(m)) lose(m.kind satisfies MarkKind);
  },
  speakers: (c, holds, lose) => {
    for (const s of c.speakers) if (s.speaker !== '' && s.label === 0 && !holds.dialect?.voice(s)) lose('speaker');
  },
  words: (c, holds, lose) => {
    if (c.words.length === 0) return;
    if (!holds.wordTimes(c) && stampsOf(c).length > 0) lose('word-times');
    if (!holds.certainty && c.words.some((w) => w[4] < 1)) lose('certainty');
  },
  proofed: notCounted,
  letBe: notCounted,
  comeBack: notCounted,
  foreign: (c, holds, lose) => {
    if (c.foreign === null) return;
    for (const key of Object.keys(c.foreign)) {
      const what = own(foreignNames, key);
      if (what && !holds.foreign.includes(key)) lose(what);
    }
  },
};
/** Those that count anything: it is gone through for every caption. */
const counts = Object.values(countField).filter((count) => count !== notCounted);

function countCaption(c: Caption, holds: Capabilities, lose: (what: Lost) => void): void {
  // What is left out whole is no loss of its parts.
  if (holds.times && c.end === c.start && !holds.noDuration) lose('no-duration');
  else if (hasNoWords(c.text)) {
    countField.start(c, holds, lose);
    countField.timing(c, holds, lose);
    if (!holds.empty) lose('empty');
  } else for (const count of counts) count(c, holds, lose);
}

/** “12 colours, 1 comment”, or “nothing”. */
export function lossInWords(losses: readonly Loss[]): string {
  return losses.length === 0 ? 'nothing' : losses.map((l) => l.message).join(', ');
}

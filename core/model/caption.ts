/**
 * Captions and tracks: the plain values everything else works on.
 *
 * Times are whole milliseconds and a caption covers [start, end). Offsets are UTF-16 units into
 * `text`, whose lines are joined by `\n`.
 */
import { bisector } from 'd3-array';

/** Where a word's times came from: `aligned` from the sound, `guessed` shared out by letters. */
export type WordSource = 'recogniser' | 'aligned' | 'guessed';

/**
 * A word with its times, packed as an array because a long track holds tens of thousands:
 * `[from, to, start, end, certainty, source, heard]`. `certainty` is 0 to 1; `heard` is the word as
 * it was first recognised, so that a word that has been corrected no longer counts as doubtful.
 */
export type WordRange = readonly [
  from: number,
  to: number,
  start: number,
  end: number,
  certainty: number,
  source: WordSource,
  heard: string,
];

/**
 * How a stretch of text can be marked. `class` is a style a file names and Fenwix keeps; `ruby` is a
 * text with its reading beside it, and `ruby text` the reading.
 */
export const markKinds = ['italic', 'bold', 'underline', 'colour', 'language', 'class', 'ruby', 'ruby text'] as const;
export type MarkKind = (typeof markKinds)[number];

/** A marked stretch of the text. `value` is the colour, the language tag or the class; empty for the rest. */
export interface Mark {
  readonly from: number;
  readonly to: number;
  readonly kind: MarkKind;
  readonly value: string;
}

/** Who speaks over a stretch of the text, and how many of its first characters are the label itself. */
export interface SpeakerRange {
  readonly from: number;
  readonly to: number;
  readonly speaker: string;
  readonly label: number;
}

/** Where on the picture a caption stands: one of nine places, as the digits of a number pad. */
export type Placement = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9;

/** A finding kept on purpose: its rule, why, and the figure it was kept at. */
export interface LetBe {
  readonly rule: string;
  readonly reason: string;
  readonly figure: number;
}

/** What a file format carried that Fenwix has no use for itself, kept to be written again. */
export type Foreign = Readonly<Record<string, string>>;

export interface Caption {
  /** Made by whoever made the caption, never changed, unique in its track. */
  readonly id: string;
  readonly start: number;
  readonly end: number;
  /** `provisional` while the text has no place in the sound yet. */
  readonly timing: 'set' | 'provisional';
  readonly text: string;
  readonly marks: readonly Mark[];
  readonly speakers: readonly SpeakerRange[];
  readonly words: readonly WordRange[];
  readonly placement: Placement | null;
  readonly proofed: boolean;
  readonly letBe: readonly LetBe[];
  /** Marked to be come back to, and what for, '' where nobody said; null where it is not. */
  readonly comeBack: string | null;
  readonly foreign: Foreign | null;
  /** What others made of this caption at the same moment, until somebody chooses; left out where nothing is in conflict. */
  readonly versions?: readonly Version[];
}

/** Another version of a caption that is in conflict; null where somebody had removed the caption. */
export type Version = Omit<Caption, 'versions'> | null;

export type TrackKind = 'machine' | 'captions' | 'subtitles' | 'transcript';

export interface Track {
  readonly id: string;
  readonly kind: TrackKind;
  /** BCP 47, as `en-GB`. */
  readonly language: string;
  readonly name: string;
  /** How many edits the track has had; the number of the last one. */
  readonly edit: number;
  /** In order of start, end, id. */
  readonly captions: readonly Caption[];
  /** What the file the track came from holds besides captions. */
  readonly foreign: Foreign | null;
}

/** A caption with everything left out filled in. */
export function caption(of: Pick<Caption, 'id' | 'start' | 'end' | 'text'> & Partial<Caption>): Caption {
  return {
    timing: 'set',
    marks: [],
    speakers: [],
    words: [],
    placement: null,
    proofed: false,
    letBe: [],
    comeBack: null,
    foreign: null,
    ...of,
  };
}

/** A caption without its other versions. */
export function withoutVersions({ versions: _, ...rest }: Caption): Omit<Caption, 'versions'> {
  return rest;
}

/** A caption with these other versions; with none of them it has no such property at all. */
export const withVersions = (of: Caption, versions: readonly Version[]): Caption =>
  versions.length === 0 ? withoutVersions(of) : { ...of, versions };

/** The lines of a caption; an empty caption has one empty line. */
export const linesOf = (of: Caption): string[] => of.text.split('\n');

/** The order of captions in a track: start, then end, then id. */
export function inOrder(a: Caption, b: Caption): number {
  return a.start - b.start || a.end - b.end || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/** The captions in order; the same array when they already are. */
export function sorted(captions: readonly Caption[]): readonly Caption[] {
  for (let i = 1; i < captions.length; i++) {
    const before = captions[i - 1];
    const here = captions[i];
    if (before && here && inOrder(before, here) > 0) return [...captions].sort(inOrder);
  }
  return captions;
}

const byStart = bisector((caption: Caption) => caption.start);

/**
 * Index of the caption that is on screen at a time, or of the last one that began before it.
 * @param ms a time in milliseconds
 * @returns -1 before the first caption
 */
export const captionAt = (captions: readonly Caption[], ms: number): number => byStart.right(captions, ms) - 1;

/** So many captions overlap at the most that are looked for. */
const mostAtOnce = 4;

/** The captions on screen at a moment. @param captions in order @param ms when */
export function onScreenAt(captions: readonly Caption[], ms: number): readonly Caption[] {
  const last = captionAt(captions, ms);
  return captions.slice(Math.max(0, last - mostAtOnce + 1), last + 1).filter((c) => c.end > ms);
}

/** The captions on screen at any moment of a stretch. @param captions in order @param start @param end in ms */
export function onScreenWithin(captions: readonly Caption[], start: number, end: number): readonly Caption[] {
  const first = Math.max(0, captionAt(captions, start) - mostAtOnce + 1);
  return captions.slice(first, captionAt(captions, end) + 1).filter((c) => c.start < end && c.end > start);
}

/** A caption as a file gives it; whoever takes it in gives it an id. */
export type ReadCaption = Omit<Caption, 'id'>;

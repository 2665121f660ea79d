/** Edits and captions from unknown JSON: the one place that says what a valid one is. */
import type { JsonObject } from '../text/json.ts';
import { own } from '../text/own.ts';
import { markKinds } from './caption.ts';
import { withVersions } from './caption.ts';
import type {
  Caption,
  Foreign,
  LetBe,
  Mark,
  Placement,
  SpeakerRange,
  Version,
  WordRange,
  WordSource,
} from './caption.ts';
import { longestNote, type VersionChoice, type Edit } from './edits.ts';
import type { Piece } from './pieces.ts';

/** JSON that is not what it should be; the message names the place. */
export class NotDecoded extends Error {
  override readonly name = 'NotDecoded';
}

const wordSources: readonly WordSource[] = ['recogniser', 'aligned', 'guessed'];

function fail(at: string, expected: string): never {
  throw new NotDecoded(`${at}: expected ${expected}.`);
}
function object(value: unknown, at: string): JsonObject {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
    ? (value as JsonObject)
    : fail(at, 'an object');
}
function list<T>(value: unknown, at: string, item: (v: unknown, at: string) => T): T[] {
  return Array.isArray(value) ? value.map((v, i) => item(v, `${at}[${String(i)}]`)) : fail(at, 'a list');
}
const string = (value: unknown, at: string): string => (typeof value === 'string' ? value : fail(at, 'text'));
const id = (value: unknown, at: string): string => {
  const text = string(value, at);
  return text.length > 0 && text.length <= 64 ? text : fail(at, 'an id of 1 to 64 characters');
};
const whole = (value: unknown, at: string): number =>
  Number.isSafeInteger(value) && (value as number) >= 0 ? (value as number) : fail(at, 'a whole number of 0 or more');
const number = (value: unknown, at: string): number =>
  typeof value === 'number' && Number.isFinite(value) ? value : fail(at, 'a number');
const boolean = (value: unknown, at: string): boolean =>
  typeof value === 'boolean' ? value : fail(at, 'true or false');
function oneOf<T>(value: unknown, at: string, allowed: readonly T[]): T {
  const found = allowed.find((a) => a === value);
  return found ?? fail(at, `one of ${allowed.join(', ')}`);
}

/** A line break in captions is `\n` alone; anything else has to be folded before it gets here. */
const text = (value: unknown, at: string): string => {
  const found = string(value, at);
  return found.includes('\r') ? fail(at, 'text with plain line breaks') : found;
};

function span(value: JsonObject, at: string, length: number): { from: number; to: number } {
  const from = whole(value['from'], `${at}.from`);
  const to = whole(value['to'], `${at}.to`);
  return from <= to && to <= length ? { from, to } : fail(at, `a range inside ${String(length)} characters`);
}

function decodeWord(value: unknown, at: string, length: number): WordRange {
  if (!Array.isArray(value) || value.length !== 7) fail(at, 'a word of seven parts');
  const parts = value as readonly unknown[];
  const { from, to } = span({ from: parts[0], to: parts[1] }, at, length);
  const [start, end, certainty] = [whole(parts[2], at), whole(parts[3], at), number(parts[4], at)];
  if (end < start) fail(at, 'a word that ends after it begins');
  if (certainty < 0 || certainty > 1) fail(at, 'a certainty from 0 to 1');
  return [from, to, start, end, certainty, oneOf(parts[5], at, wordSources), string(parts[6], at)];
}

/** Words that lie in their text, one after the other. Two who speak at once may be heard at one time. */
function decodeWords(value: unknown, at: string, length: number): WordRange[] {
  let before = 0;
  return list(value, at, (v, where) => {
    const word = decodeWord(v, where, length);
    if (word[0] < before) fail(where, 'a word behind the one before it');
    before = word[1];
    return word;
  });
}

function decodeSpeaker(value: unknown, at: string, length: number): SpeakerRange {
  const range = object(value, at);
  const { from, to } = span(range, at, length);
  // A label is part of what is said; a longer one would take words along when labels are left out.
  return { from, to, speaker: string(range['speaker'], at), label: Math.min(whole(range['label'], at), to - from) };
}

const decodePlacement = (value: unknown, at: string): Placement | null =>
  value === null ? null : oneOf<Placement>(value, at, [1, 2, 3, 4, 5, 6, 7, 8, 9]);

const timing = (value: unknown, at: string): Caption['timing'] => oneOf(value, at, ['set', 'provisional'] as const);

/** Left out by whoever had no such notes yet. */
const decodeNote = (value: unknown, at: string): string | null => {
  if (value === null) return null;
  const note = string(value, at);
  return note.length <= longestNote ? note : fail(at, `a note of at most ${String(longestNote)} characters`);
};

/** A version has none of its own. */
const decodeVersion = (value: unknown, at: string): Version =>
  value === null ? null : decodeOne(object(value, at), at);

/** A caption from JSON. @throws {NotDecoded} naming the first fault */
export function decodeCaption(value: unknown, at = 'caption'): Caption {
  const json = object(value, at);
  const one = decodeOne(json, at);
  return json['versions'] === undefined
    ? one
    : withVersions(one, list(json['versions'], `${at}.versions`, decodeVersion));
}

function decodeOne(json: JsonObject, at: string): Required<Omit<Caption, 'versions'>> {
  const body = text(json['text'], `${at}.text`);
  const start = whole(json['start'], `${at}.start`);
  const end = whole(json['end'], `${at}.end`);
  if (end < start) fail(at, 'an end at or after the start');
  return {
    id: id(json['id'], `${at}.id`),
    start,
    end,
    timing: timing(json['timing'], `${at}.timing`),
    text: body,
    marks: list(json['marks'], `${at}.marks`, (v, where): Mark => {
      const mark = object(v, where);
      return {
        ...span(mark, where, body.length),
        kind: oneOf(mark['kind'], where, markKinds),
        value: string(mark['value'], where),
      };
    }),
    speakers: list(json['speakers'], `${at}.speakers`, (v, where) => decodeSpeaker(v, where, body.length)),
    words: decodeWords(json['words'], `${at}.words`, body.length),
    placement: decodePlacement(json['placement'], `${at}.placement`),
    proofed: boolean(json['proofed'], `${at}.proofed`),
    letBe: list(json['letBe'], `${at}.letBe`, decodeLetBe),
    comeBack: json['comeBack'] === undefined ? null : decodeNote(json['comeBack'], `${at}.comeBack`),
    foreign: json['foreign'] === null ? null : decodeForeign(json['foreign'], `${at}.foreign`),
  };
}

function decodeLetBe(value: unknown, at: string): LetBe {
  const entry = object(value, at);
  return {
    rule: string(entry['rule'], at),
    reason: string(entry['reason'], at),
    figure: number(entry['figure'], at),
  };
}

function decodeForeign(value: unknown, at: string): Foreign {
  return Object.fromEntries(Object.entries(object(value, at)).map(([key, v]) => [key, string(v, `${at}.${key}`)]));
}

function decodePieces(value: unknown, at: string): Piece[] {
  const pieces = list(value, at, (v, where): Piece => {
    if (!Array.isArray(v) || v.length !== 2) fail(where, 'two moments');
    const [from, to] = v as readonly unknown[];
    return [whole(from, where), whole(to, where)];
  });
  if (pieces.some((p, i) => i > 0 && p[0] <= (pieces[i - 1]?.[0] ?? 0))) fail(at, 'moments in order, no two alike');
  return pieces;
}

function decodeChoice(value: unknown, at: string): VersionChoice {
  const choice = string(value, at);
  return choice === 'standing' || choice === 'removed' || choice.startsWith('version:')
    ? (choice as VersionChoice)
    : fail(at, 'standing, removed or a version');
}

/** How deep `together` may hold `together`; work made by people never gets past two. */
const deepest = 8;

/** An edit that is being read. */
interface Reading {
  readonly json: JsonObject;
  /** Where it stands, for the message. */
  readonly at: string;
  readonly depth: number;
}

const idIn = ({ json, at }: Reading, key: string): string => id(json[key], `${at}.${key}`);
const idsIn = ({ json, at }: Reading, key: string): string[] => list(json[key], `${at}.${key}`, id);
const wholeIn = ({ json, at }: Reading, key: string): number => whole(json[key], `${at}.${key}`);
const captionsIn = ({ json, at }: Reading): Caption[] => list(json['captions'], `${at}.captions`, decodeCaption);
/** Offsets in a text that is not here to be held against. */
const spanIn = ({ json, at }: Reading) => span(json, at, Number.MAX_SAFE_INTEGER);
/** Something of each of several captions, under `captions`. */
const ofEach = <T>(
  { json, at }: Reading,
  read: (of: JsonObject, where: string) => T,
): (T & { readonly id: string })[] =>
  list(json['captions'], `${at}.captions`, (value, where) => {
    const of = object(value, where);
    return { id: id(of['id'], `${where}.id`), ...read(of, where) };
  });

/** What each kind of edit has besides its type. */
const kinds: { readonly [K in Edit['type']]: (of: Reading) => Omit<Extract<Edit, { readonly type: K }>, 'type'> } = {
  splice: (of) => ({
    id: idIn(of, 'id'),
    ...spanIn(of),
    insert: text(of.json['insert'], `${of.at}.insert`),
    ...(of.json['keeps'] === undefined ? {} : { keeps: oneOf(of.json['keeps'], `${of.at}.keeps`, [true] as const) }),
  }),
  split: (of) => ({
    id: idIn(of, 'id'),
    at: wholeIn(of, 'at'),
    newId: idIn(of, 'newId'),
    end: wholeIn(of, 'end'),
    start: wholeIn(of, 'start'),
  }),
  join: (of) => ({
    id: idIn(of, 'id'),
    next: idIn(of, 'next'),
    between: oneOf(of.json['between'], `${of.at}.between`, ['', ' ', '\n'] as const),
  }),
  setTimes: (of) => ({ id: idIn(of, 'id'), start: wholeIn(of, 'start'), end: wholeIn(of, 'end') }),
  retime: (of) => ({
    captions: ofEach(of, (to, where) => ({
      start: whole(to['start'], `${where}.start`),
      end: whole(to['end'], `${where}.end`),
      timing: timing(to['timing'], `${where}.timing`),
    })),
    pieces: decodePieces(of.json['pieces'], `${of.at}.pieces`),
  }),
  setWords: (of) => ({
    captions: ofEach(of, (to, where) => ({
      words: decodeWords(to['words'], `${where}.words`, Number.MAX_SAFE_INTEGER),
    })),
  }),
  setSpeaker: (of) => ({
    id: idIn(of, 'id'),
    speakers: list(of.json['speakers'], `${of.at}.speakers`, (v, where) =>
      decodeSpeaker(v, where, Number.MAX_SAFE_INTEGER),
    ),
  }),
  setPlacement: (of) => ({
    id: idIn(of, 'id'),
    placement: decodePlacement(of.json['placement'], `${of.at}.placement`),
  }),
  comeBack: (of) => ({ id: idIn(of, 'id'), note: decodeNote(of.json['note'], `${of.at}.note`) }),
  keepVersion: (of) => ({ id: idIn(of, 'id'), caption: decodeVersion(of.json['caption'], `${of.at}.caption`) }),
  chooseVersion: (of) => ({ id: idIn(of, 'id'), chosen: decodeChoice(of.json['chosen'], `${of.at}.chosen`) }),
  setCaptions: (of) => ({ captions: captionsIn(of) }),
  insert: (of) => ({ captions: captionsIn(of) }),
  remove: (of) => ({ ids: idsIn(of, 'ids') }),
  replace: (of) => ({ removed: idsIn(of, 'removed'), captions: captionsIn(of) }),
  mark: (of) => ({
    id: idIn(of, 'id'),
    ...spanIn(of),
    kind: oneOf(of.json['kind'], `${of.at}.kind`, markKinds),
    value: string(of.json['value'], `${of.at}.value`),
    on: boolean(of.json['on'], `${of.at}.on`),
  }),
  letBe: (of) => ({
    id: idIn(of, 'id'),
    rule: string(of.json['rule'], `${of.at}.rule`),
    entry: of.json['entry'] === null ? null : decodeLetBe(of.json['entry'], `${of.at}.entry`),
  }),
  proof: (of) => ({ ids: idsIn(of, 'ids'), proofed: boolean(of.json['proofed'], `${of.at}.proofed`) }),
  together: ({ json, at, depth }) => {
    if (depth >= deepest) fail(at, 'edits that hold each other less deeply');
    return { edits: list(json['edits'], `${at}.edits`, (v, where) => decodeEdit(v, where, depth + 1)) };
  },
};

/**
 * An edit from JSON.
 * @throws {NotDecoded} naming the first fault
 */
export function decodeEdit(value: unknown, at = 'edit', depth = 0): Edit {
  const json = object(value, at);
  const { type } = json as { readonly type?: unknown };
  const decode = typeof type === 'string' ? own(kinds, type) : undefined;
  // Each is of the type it stands under.
  return decode ? ({ type, ...decode({ json, at, depth }) } as Edit) : fail(`${at}.type`, 'the name of an edit');
}

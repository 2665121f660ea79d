/**
 * Reading WebVTT by the W3C recommendation's parsing algorithm ("WebVTT file parsing"). What the
 * algorithm drops is listed; with `rescue` it is taken in, and that is listed too.
 */
import type { ParseWarning } from '../warning.ts';
import type { Foreign, ReadCaption } from '../../model/caption.ts';
import { captionOfCue, ordered } from '../cue.ts';
import { Unreadable, type ReadOptions, type ReadResult } from '../format.ts';
import { timedInside } from '../inline.ts';
import { plainLineEnds } from '../lines.ts';
import { readTimeLine } from '../srt/time-line.ts';
import { blocksOf, type Block } from './blocks.ts';
import { readCueText } from './cue-text.ts';
import { readCueSettings, readRegion } from './settings.ts';
import { collectTimings, type Timings } from './time.ts';

export const signature = /^\ufeff?WEBVTT(?:[ \t]|$)/;

/** A cue while it is read; the text may grow by what is rescued. */
interface RawCue {
  readonly line: number;
  readonly start: number;
  readonly end: number;
  text: string;
  readonly foreign: Foreign | null;
}

type Say = (line: number, message: string, lost?: true) => void;

const quoted = (text: string): string => `“${text.trim().slice(0, 60)}”`;

/** A first line of `NOTE`, `STYLE` or `REGION`, alone or with what may follow it. */
const isComment = (line: string): boolean => /^NOTE(?:[ \t]|$)/.test(line);
const isDefinition = (line: string): boolean => /^(?:STYLE|REGION)[ \t\f]*$/.test(line);

/** The times of a cue as the recommendation takes them, or leniently where they are to be rescued. */
function timingsOf(line: string, at: number, rescue: boolean, say: Say): Timings | null {
  const strict = collectTimings(line);
  if (strict) {
    if (strict.end >= strict.start) return strict;
    if (rescue) {
      say(at, 'The end came before the start; the two were swapped.');
      return { ...strict, start: strict.end, end: strict.start };
    }
    say(at, 'The end comes before the start; the caption was given no time on screen.');
    return { ...strict, end: strict.start };
  }
  const found = rescue ? readTimeLine(line) : null;
  if (!found) {
    say(
      at,
      `The times ${quoted(line)} are not as WebVTT wants them; the cue was left out, as a player leaves it out.`,
      true,
    );
    return null;
  }
  say(at, `The times ${quoted(line)} are not as WebVTT wants them; the cue was recovered.`);
  const start = Math.max(0, Math.min(found.start, found.end));
  return { start, end: Math.max(start, found.start, found.end), settings: found.rest };
}

/** What a cue carries besides its text and its times; null for nothing. */
function foreignOf(id: string, settings: string, notes: readonly string[]): Foreign | null {
  if (settings === '' && notes.length === 0) return id === '' ? null : { vttId: id };
  return {
    ...(id === '' ? {} : { vttId: id }),
    ...(settings === '' ? {} : { vttSettings: settings }),
    ...(notes.length === 0 ? {} : { vttNotes: notes.join('\n\n') }),
  };
}

/** Reads the blocks of a file one after another. */
function blockReader(source: string, rescue: boolean, say: Say) {
  const cues: RawCue[] = [];
  const regions = new Set<string>();
  /** Blocks before the first cue that belong back there. */
  const kept: string[] = [];
  let notes: string[] = [];

  function cueOf(block: Block, arrow: NonNullable<Block['timings']>): void {
    const timings = timingsOf(source.slice(arrow.from, arrow.to), arrow.line, rescue, say);
    if (!timings) return;
    const settings = timings.settings === '' ? null : readCueSettings(timings.settings, regions);
    if (settings && settings.dropped.length > 0)
      say(arrow.line, `The settings ${quoted(settings.dropped.join(' '))} mean nothing in WebVTT; they were left out.`);
    const id = arrow.from > block.from ? source.slice(block.from, arrow.from - 1) : '';
    const foreign = foreignOf(id, settings?.kept ?? '', notes);
    if (notes.length > 0) notes = [];
    cues.push({
      line: arrow.line,
      start: timings.start,
      end: timings.end,
      text: source.slice(Math.min(arrow.to + 1, block.to), block.to),
      foreign,
    });
  }

  function define(block: Block, text: string): void {
    if (cues.length > 0 && !rescue) {
      say(block.line, 'A style or region after the first caption counts for nothing in WebVTT; it was left out.', true);
      return;
    }
    if (cues.length > 0) say(block.line, 'A style or region stood after the first caption; it was moved to the head.');
    if (text.startsWith('STYLE')) {
      kept.push(text);
      return;
    }
    const region = readRegion(text.slice(text.indexOf('\n') + 1));
    if (region.dropped.length > 0)
      say(block.line, `The settings ${quoted(region.dropped.join(' '))} mean nothing in a region; they were left out.`);
    if (region.id !== '') regions.add(region.id);
    if (region.kept !== '') kept.push(`REGION\n${region.kept.replaceAll(' ', '\n')}`);
  }

  function take(block: Block): void {
    if (block.timings) {
      cueOf(block, block.timings);
      return;
    }
    const text = source.slice(block.from, block.to);
    const nl = text.indexOf('\n');
    const first = nl < 0 ? text : text.slice(0, nl);
    const last = cues.at(-1);
    if (isComment(first)) (cues.length === 0 ? kept : notes).push(text);
    else if (isDefinition(first) && nl >= 0) define(block, text);
    else if (rescue && last) {
      last.text += `${last.text === '' ? '' : '\n'}${text}`;
      say(block.line, `${quoted(first)} stood after a blank line; it was rescued into the caption above.`);
    } else say(block.line, `${quoted(first)} belongs to no caption; it was left out.`, true);
  }

  const file = (): Record<string, string> => ({
    ...(kept.length > 0 ? { vttBlocks: kept.join('\n\n') } : {}),
    ...(notes.length > 0 ? { vttEnd: notes.join('\n\n') } : {}),
  });
  return { take, cues, file };
}

/** The lines right under the signature: a time map belongs back there, the rest is kept as a comment. */
function readHead(text: string): {
  readonly map: string | null;
  readonly language: string | null;
  readonly rest: string;
} {
  const lines = text.split('\n');
  const map = lines.find((l) => l.startsWith('X-TIMESTAMP-MAP')) ?? null;
  const language = lines.map((l) => /^Language\s*[:=]\s*([A-Za-z]{2,8}(?:-[A-Za-z0-9]{1,8})*)\s*$/i.exec(l)?.[1]);
  return {
    map,
    language: language.find((l) => l !== undefined) ?? null,
    rest: lines.filter((l) => l !== map).join('\n'),
  };
}

/** Reads WebVTT. @throws {Unreadable} where the signature is missing */
export function readWebvtt(text: string, { rescue }: Pick<ReadOptions, 'rescue'>): ReadResult {
  const source = plainLineEnds(text).replaceAll('\0', '\ufffd');
  const nl = source.indexOf('\n');
  const top = nl < 0 ? source : source.slice(0, nl);
  if (!signature.test(top)) throw new Unreadable('Line 1: a WebVTT file has to begin with the word WEBVTT.');
  const warnings: ParseWarning[] = [];
  const say: Say = (line, message, lost) => void warnings.push({ line, message, ...(lost ? { lost } : {}) });
  const reader = blockReader(source, rescue, say);
  const foreign: Record<string, string> = {};
  let language: string | null = null;
  if (top.slice(6).trim() !== '') foreign['vttTitle'] = top.slice(6).trim();
  for (const block of nl < 0 ? [] : blocksOf(source, nl + 1)) {
    if (block.line > 2 || block.timings) {
      reader.take(block);
      continue;
    }
    const head = readHead(source.slice(block.from, block.to));
    language = head.language;
    if (head.map !== null) foreign['vttMap'] = head.map;
    if (head.rest !== '') {
      foreign['vttHead'] = head.rest;
      say(
        2,
        `${quoted(head.rest.split('\n')[0] ?? '')} stands right under the signature, where WebVTT passes over it; it was kept as a comment.`,
      );
    }
  }
  const read = reader.cues.map((cue): ReadCaption => {
    const inline = readCueText(cue.text);
    const timed = inline.times.length > 0 ? { ...cue.foreign, ...timedInside } : cue.foreign;
    return captionOfCue(cue.start, cue.end, timed, inline);
  });
  const captions = ordered(read, (i) => reader.cues[i]?.line ?? 1, warnings);
  const file = { ...foreign, ...reader.file() };
  return {
    format: 'vtt',
    language,
    captions,
    warnings: warnings.sort((a, b) => a.line - b.line),
    foreign: Object.keys(file).length > 0 ? file : null,
  };
}

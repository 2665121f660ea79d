/**
 * Cue settings and region settings, by "parse the WebVTT cue settings" and "collect WebVTT region
 * settings" of the W3C recommendation: what a player would take is kept, what it would pass over is not.
 */
import { own } from '../../text/own.ts';

export interface Settings {
  /** The settings that mean something, as they were written, one space between. */
  readonly kept: string;
  readonly dropped: readonly string[];
}

/** "Parse a percentage string": digits, with a fraction or without, up to 100. */
const isPercentage = (value: string): boolean => /^\d+(?:\.\d+)?%$/.test(value) && Number(value.slice(0, -1)) <= 100;
/** A line number or a percentage. */
const isLine = (value: string): boolean => isPercentage(value) || /^-?\d+(?:\.\d+)?$/.test(value);
const isAnchor = (value: string): boolean => {
  const [x = '', y = '', more] = value.split(',');
  return more === undefined && isPercentage(x) && isPercentage(y);
};

/** A value with an alignment after a comma, or without. */
function aligned(value: string, is: (part: string) => boolean, alignments: readonly string[]): boolean {
  const comma = value.indexOf(',');
  return comma < 0 ? is(value) : is(value.slice(0, comma)) && alignments.includes(value.slice(comma + 1));
}

type Valid = (value: string, regions: ReadonlySet<string>) => boolean;

const cueSettings: Readonly<Record<string, Valid>> = {
  region: (value, regions) => regions.has(value),
  vertical: (value) => value === 'rl' || value === 'lr',
  line: (value) => aligned(value, isLine, ['start', 'center', 'end']),
  position: (value) => aligned(value, isPercentage, ['line-left', 'center', 'line-right']),
  size: isPercentage,
  align: (value) => ['start', 'center', 'end', 'left', 'right'].includes(value),
};

const regionSettings: Readonly<Record<string, Valid>> = {
  id: (value) => value !== '' && !value.includes('-->'),
  width: isPercentage,
  lines: (value) => /^\d+$/.test(value),
  regionanchor: isAnchor,
  viewportanchor: isAnchor,
  scroll: (value) => value === 'up',
};

function settle(source: string, known: Readonly<Record<string, Valid>>, regions: ReadonlySet<string>): Settings {
  const kept = new Map<string, string>();
  const dropped: string[] = [];
  for (const word of source.split(/[\t\n\f\r ]+/)) {
    if (word === '') continue;
    const colon = word.indexOf(':');
    const name = word.slice(0, Math.max(0, colon));
    const valid = own(known, name);
    if (colon === word.length - 1 || !valid?.(word.slice(colon + 1), regions)) {
      dropped.push(word);
      continue;
    }
    const before = kept.get(name);
    // The last of several counts.
    if (before !== undefined) dropped.push(before);
    kept.delete(name);
    kept.set(name, word);
  }
  return { kept: [...kept.values()].join(' '), dropped };
}

/** @param regions identifiers of the regions the file has defined */
export const readCueSettings = (source: string, regions: ReadonlySet<string>): Settings =>
  settle(source, cueSettings, regions);

export interface Region extends Settings {
  /** Empty where the region has none, and no cue can be put in it. */
  readonly id: string;
}

/**
 * A region block of WebVTT.
 * @param source its lines, after the first
 */
export function readRegion(source: string): Region {
  const settings = settle(source, regionSettings, new Set());
  const id = settings.kept.split(' ').find((word) => word.startsWith('id:'));
  return { ...settings, id: id?.slice(3) ?? '' };
}

/** Colours as files name them. */
import names from 'color-name';
import { own } from '../text/own.ts';

const two = (n: number): string =>
  Math.max(0, Math.min(255, Math.round(n)))
    .toString(16)
    .padStart(2, '0');

/**
 * A colour as `#rrggbb`, from a CSS name, `#rgb`, `#rrggbb`, `#rrggbbaa` or `rgb(r, g, b)`; what says how
 * much shines through is left out. Null where it is no colour.
 */
export function hexColour(value: string): string | null {
  const text = value.trim().toLowerCase();
  const hex = /^#?([0-9a-f]{3}|[0-9a-f]{6}(?:[0-9a-f]{2})?)$/.exec(text)?.[1];
  if (hex !== undefined) return hex.length === 3 ? `#${hex.replace(/./g, '$&$&')}` : `#${hex.slice(0, 6)}`;
  const parts = /^rgba?\(([^)]{1,40})\)$/.exec(text)?.[1]?.split(',').map(Number) ?? [];
  const [r, g, b] = parts;
  if (r !== undefined && g !== undefined && b !== undefined && parts.every(Number.isFinite))
    return `#${two(r)}${two(g)}${two(b)}`;
  const named = own(names, text);
  return named ? `#${two(named[0])}${two(named[1])}${two(named[2])}` : null;
}

/** The colours WebVTT has classes for, by value (W3C WebVTT, "Default text colors"). */
const webvttNames: ReadonlyMap<string, string> = new Map([
  ['#ffffff', 'white'],
  ['#00ff00', 'lime'],
  ['#00ffff', 'cyan'],
  ['#ff0000', 'red'],
  ['#ffff00', 'yellow'],
  ['#ff00ff', 'magenta'],
  ['#0000ff', 'blue'],
  ['#000000', 'black'],
]);
const webvttClasses: ReadonlySet<string> = new Set(webvttNames.values());

/** The class that stands for a colour in WebVTT: one of its own, or one that a STYLE block has to explain. */
export function colourClass(value: string): string | null {
  const hex = hexColour(value);
  return hex === null ? null : (webvttNames.get(hex) ?? `colour-${hex.slice(1)}`);
}

/** The colour a WebVTT class stands for; null for a class that is no colour. */
export function colourOfClass(name: string): string | null {
  if (webvttClasses.has(name)) return name;
  return /^colour-[0-9a-f]{6}$/.test(name) ? `#${name.slice(7)}` : null;
}

/** Names and ids of house styles, and how the style a job keeps stands to the one it came from. */
import { asksTheSame } from './decode-style.ts';
import type { HouseStyle } from './style.ts';

/** A name nobody has yet: the one wanted, or with a number after it. */
export function freeName(wanted: string, known: readonly Pick<HouseStyle, 'name'>[]): string {
  const base = wanted.trim().slice(0, 100);
  const taken = new Set(known.map((s) => s.name));
  let name = base;
  for (let n = 2; taken.has(name); n++) name = `${base} (${String(n)})`;
  return name;
}

/** An id nobody has yet, made from a name: its letters and digits. */
export function idFor(name: string, known: readonly Pick<HouseStyle, 'id'>[]): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 50);
  const base = plain.replace(/^-|-$/g, '') || 'style';
  const taken = new Set(known.map((s) => s.id));
  let id = base;
  for (let n = 2; taken.has(id); n++) id = `${base}-${String(n)}`;
  return id;
}

/**
 * How a job's own copy of a style stands to the styles there are: the same as where it came from; from an
 * `earlier` version of it; `changed` for this job only; or its style is `gone`.
 */
export type StyleStanding = 'same' | 'earlier' | 'changed' | 'gone';

/** How a job’s own copy of a style stands to the styles there are now. */
export function styleStanding(kept: HouseStyle, known: readonly HouseStyle[]): StyleStanding {
  const source = known.find((s) => s.id === kept.id);
  if (!source) return 'gone';
  if (kept.version < source.version) return 'earlier';
  return asksTheSame(kept, source) ? 'same' : 'changed';
}

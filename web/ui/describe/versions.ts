/** Versions of a track in words. */
import type { VersionChanges } from '../../../core/model/track-versions.ts';

const parts: readonly (readonly [keyof VersionChanges, string])[] = [
  ['reworded', 'reworded'],
  ['retimed', 'retimed'],
  ['added', 'new'],
  ['removed', 'gone'],
  ['proofed', 'proofed'],
  ['otherwise', 'changed in something else'],
];

/** “12 reworded, 3 retimed”: in how many captions what has changed. */
export function changedInWords(changed: VersionChanges): string {
  const said = parts.flatMap(([part, words]) => (changed[part] > 0 ? [`${String(changed[part])} ${words}`] : []));
  return said.length > 0 ? said.join(', ') : 'in the end as before';
}

const sameYear = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});
const anyYear = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** A moment in ms since 1970 as a person here would write it; the year where it is not this one. */
export const moment = (at: number): string =>
  (new Date(at).getFullYear() === new Date().getFullYear() ? sameYear : anyYear).format(at);

/** What the tests of the formats share: reading with the usual options, and random tracks a format can hold. */
import { plainly, type Sheet, type WriteOptions } from './sheet.ts';
import fc from 'fast-check';
import { shippedStyles } from '../style/shipped.ts';
import { caption, sorted, type Caption, type Mark, type MarkKind, type SpeakerRange } from '../model/caption.ts';
import { type Format, type ReadOptions, type ReadResult } from './format.ts';
import { byExtent } from './inline.ts';

const [style] = shippedStyles;
if (!style) throw new Error('Styles ship.');

export const options: ReadOptions = { style, rescue: false };
export const asked = { style };
export const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
export const readAs = (format: Format, text: string, rescue = false): ReadResult =>
  format.read(text, { ...options, rescue });

let made = 0;
export const countedId = (): string => `n${String(++made)}`;

export const sheetOf = (captions: readonly Caption[], more: Partial<Sheet> = {}): Sheet => ({
  captions,
  title: 'Locks of the Tollen',
  language: 'en-GB',
  foreign: null,
  ...more,
});

/** Writes captions in a format that is written. */
export function writeAs(
  format: Format,
  captions: readonly Caption[],
  more: Partial<Sheet> = {},
  how: Partial<WriteOptions> = {},
): string {
  if (!format.writer) throw new Error(`${format.title} is not written.`);
  return format.writer.write(sheetOf(captions, more), { ...plainly, ...how });
}

/** Words of several scripts, with signs that mean something in one markup or another. */
const word = fc.constantFrom(
  ...[
    'water',
    'niño',
    'sluice',
    '2 < 3',
    'AT&T',
    '<3',
    '--',
    '"so"',
    "lock's",
    '…',
    'шлюз',
    '水門',
    'بوابة',
    'é́',
    '😀',
    '&lt;',
    '{x}',
    'a>b',
    '12:30',
  ],
);

export interface Kinds {
  readonly marks: readonly MarkKind[];
  readonly speakers: boolean;
}

const values: Readonly<Record<MarkKind, readonly string[]>> = {
  italic: [''],
  bold: [''],
  underline: [''],
  colour: ['red', 'yellow', '#ff8800'],
  language: ['cy', 'fr-CA'],
  class: ['narrator', 'loud.far'],
  ruby: [''],
  'ruby text': [''],
};

/** A caption of one to three lines, with marks that nest and at most one speaker over all of it. */
const one = (index: number, kinds: Kinds): fc.Arbitrary<Caption> =>
  fc
    .record({
      lines: fc.array(fc.array(word, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 3 }),
      start: fc.nat(1500),
      length: fc.integer({ min: 1, max: 2500 }),
      marks: fc.array(fc.tuple(fc.nat(99), fc.nat(99), fc.nat(99), fc.nat(99)), { maxLength: 3 }),
      speaker: fc.constantFrom('', '', 'Keeper', 'Mrs O’Dell & son'),
    })
    .map(({ lines, start, length, marks, speaker }) => {
      const text = lines.map((l) => l.join(' ')).join('\n');
      const from = index * 4000 + start;
      const speakers: SpeakerRange[] =
        kinds.speakers && speaker !== '' ? [{ from: 0, to: text.length, speaker, label: 0 }] : [];
      return caption({
        id: `c${String(index)}`,
        start: from,
        end: from + length,
        text,
        speakers,
        marks: nested(text, marks, kinds.marks),
      });
    });

/** Marks on whole words, no two of a kind that touch, none that cross another. */
function nested(text: string, seeds: readonly (readonly number[])[], allowed: readonly MarkKind[]): Mark[] {
  const words = [...text.matchAll(/\S+/g)].map((m) => ({ from: m.index, to: m.index + m[0].length }));
  const marks: Mark[] = [];
  for (const [a = 0, b = 0, c = 0, d = 0] of seeds) {
    const kind = allowed[c % Math.max(1, allowed.length)];
    const first = words[a % words.length];
    const last = words[Math.min(words.length - 1, (a % words.length) + (b % 3))];
    if (!kind || !first || !last) continue;
    const value = values[kind][d % values[kind].length] ?? '';
    const mark = { from: first.from, to: last.to, kind, value };
    const fits = marks.every((m) => {
      const apart = m.to < mark.from || mark.to < m.from;
      const inside = (m.from <= mark.from && mark.to <= m.to) || (mark.from <= m.from && m.to <= mark.to);
      return apart || (inside && m.kind !== kind && !(m.from === mark.from && m.to === mark.to));
    });
    if (fits) marks.push(mark);
  }
  return marks.sort(byExtent);
}

/** Random tracks of what a format can hold. */
export const tracks = (kinds: Kinds): fc.Arbitrary<readonly Caption[]> =>
  fc
    .integer({ min: 1, max: 5 })
    .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => one(i, kinds))))
    .map(sorted);

/** What of a caption a file is to bring back. */
export const essence = ({ start, end, text, marks, speakers }: Omit<Caption, 'id'>) => ({
  start,
  end,
  text,
  marks: [...marks],
  speakers: [...speakers],
});

/** Bits of every format, to make noise of that readers stumble over. */
export const noise: fc.Arbitrary<string> = fc
  .array(
    fc.oneof(
      fc.string(),
      fc.string({ unit: 'binary' }),
      fc.constantFrom(
        ...['', '1', '2', 'WEBVTT', 'NOTE', 'STYLE', 'REGION', 'id:a', '-->', '00:01.000 --> 00:02.000'],
        ...['00:00:01,000 --> 00:00:02,000', '00:00:02,000 --> 00:00:01,000', '99:99:99,9 --> 0:0:0', '-0:0:1 -> 1'],
        ...['<i>', '</b>', '<c.', '<v ', '</v>', '<00:01.000>', '&#', '&#x110000;', '&amp', '{\\an8}', '{\\', '{1}{2}'],
        ...['<?xml version="1.0"?>', '<tt xml:lang="en">', '<body>', '<p begin="1s" end="2s">', '<br/>', '</p>', ']]>'],
        ...['<!doctype html>', '<p>', '<font color=red>', '<script>', '[00:01] x', 'MARY: ', 'a 1 0.5 0.2 word 0.9'],
        ...['{"fenwix":"track","version":1,"captions":[', '{"id":"a"}', ']}', '\ufeff', '0:01,0:02', '\t', '"'],
      ),
    ),
    { maxLength: 30 },
  )
  .chain((parts) => fc.constantFrom('\n', '\r\n', ' ', '').map((between) => parts.join(between)));

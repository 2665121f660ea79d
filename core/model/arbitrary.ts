/** Random captions and edits for property tests. */
import fc from 'fast-check';
import { caption, sorted, type Caption, type WordRange } from './caption.ts';
import { apply } from './apply.ts';
import type { CarriedField } from './carried.ts';
import type { Edit } from './edits.ts';

const word = fc.stringMatching(/^[a-zé']{1,8}$/);

/** A caption of a few timed words on one or two lines, with a mark on one of them. */
const one = (index: number): fc.Arbitrary<Caption> =>
  fc
    .record({
      words: fc.array(word, { minLength: 1, maxLength: 6 }),
      lineBreak: fc.nat(5),
      timed: fc.boolean(),
      at: fc.nat(400),
    })
    .map(({ words, lineBreak, timed, at }) => {
      const start = index * 3000 + at;
      let text = '';
      const ranges = words.map((w, i): WordRange => {
        if (i > 0) text += i === lineBreak ? '\n' : ' ';
        const from = text.length;
        text += w;
        return [from, text.length, start + i * 200, start + i * 200 + 180, 0.9, 'recogniser', w];
      });
      const first = ranges[0];
      const marks = first ? [{ from: first[0], to: first[1], kind: 'italic' as const, value: '' }] : [];
      return caption({ id: `c${String(index)}`, start, end: start + 2000, text, words: timed ? ranges : [], marks });
    });

export const captionsArbitrary: fc.Arbitrary<readonly Caption[]> = fc
  .integer({ min: 1, max: 6 })
  .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => one(i))))
  .map(sorted);

/** What a caption of this text may carry in each field, nothing among it. */
const inEachField = (text: string): { readonly [K in CarriedField]: fc.Arbitrary<Caption[K]> } => ({
  start: fc.nat(5000),
  end: fc.integer({ min: 5000, max: 9000 }),
  timing: fc.constantFrom('set', 'provisional'),
  text: fc.constant(text),
  marks: fc.constantFrom([], [{ from: 0, to: text.length, kind: 'bold', value: '' }]),
  speakers: fc.constantFrom([], [{ from: 0, to: text.length, speaker: 'Keeper', label: 0 }]),
  words: fc.constantFrom([], [[0, text.length, 100, 900, 0.5, 'recogniser', text]]),
  placement: fc.constantFrom(null, 2, 8),
  proofed: fc.boolean(),
  letBe: fc.constantFrom([], [{ rule: 'too-fast', reason: 'a song', figure: 23 }]),
  comeBack: fc.constantFrom(null, '', 'the name of the lock'),
  foreign: fc.constantFrom(null, { vttId: 'gate', vttSettings: 'line:10%' }),
});

/** A caption that carries something, or nothing, in each field there is. */
export const carryingArbitrary: fc.Arbitrary<Caption> = word
  .chain((text) => fc.record(inEachField(text)))
  .map((fields) => ({ id: 'carrying', ...fields }));

/** Seeds from which a run of edits that fit is built, each on the state the one before left. */
export type Seed = readonly [kind: number, a: number, b: number, c: number, text: string];
export const seedsArbitrary: fc.Arbitrary<readonly Seed[]> = fc.array(
  fc.tuple(fc.nat(99), fc.nat(99), fc.nat(99), fc.nat(99), fc.stringMatching(/^[a-z \n]{0,5}$/)),
  { maxLength: 8 },
);

/** An edit that fits the captions, chosen by a seed; null where none does. */
export function editFrom(captions: readonly Caption[], [kind, a, b, c, text]: Seed, prefix: string): Edit | null {
  const here = captions[a % Math.max(1, captions.length)];
  if (!here) return null;
  const x = b % (here.text.length + 1);
  const y = x + (c % (here.text.length - x + 1));
  const next = captions[captions.indexOf(here) + 1];
  switch (kind % 15) {
    case 0:
    case 1:
      return { type: 'splice', id: here.id, from: x, to: y, insert: text };
    case 2:
      return {
        type: 'split',
        id: here.id,
        at: x,
        newId: `${prefix}${String(kind)}-${String(a)}-${String(b)}-${String(captions.length)}`,
        end: here.start + 500,
        start: here.start + 600,
      };
    case 3:
      return next ? { type: 'join', id: here.id, next: next.id, between: c % 2 ? ' ' : '\n' } : null;
    case 4:
      return { type: 'setTimes', id: here.id, start: b * 100, end: b * 100 + c * 10 };
    case 5:
      return { type: 'mark', id: here.id, from: x, to: y, kind: 'bold', value: '', on: c % 3 > 0 };
    case 6:
      return {
        type: 'letBe',
        id: here.id,
        rule: `rule-${String(c % 3)}`,
        entry: c % 2 ? { rule: '', reason: text, figure: b } : null,
      };
    case 7:
      return {
        type: 'retime',
        captions: captions
          .slice(a % captions.length)
          .map((each) => ({ id: each.id, start: each.start + b, end: each.end + b, timing: 'set' })),
        pieces:
          c % 2
            ? [[0, b]]
            : [
                [0, b],
                [5000, 5000 + c],
              ],
      };
    case 8:
      return { type: 'setWords', captions: [{ id: here.id, words: here.words.slice(c % 3) }] };
    case 9:
      return {
        type: 'setSpeaker',
        id: here.id,
        speakers: x > 0 ? [{ from: 0, to: x, speaker: text, label: c % (x + 1) }] : [],
      };
    case 10:
      return c % 3 === 0
        ? { type: 'comeBack', id: here.id, note: c % 2 ? text : null }
        : { type: 'setPlacement', id: here.id, placement: c % 2 ? 8 : null };
    case 11: {
      const { versions: _, ...version } = { ...here, id: `${prefix}v${String(c)}`, text: here.text + text };
      return { type: 'keepVersion', id: here.id, caption: c % 3 === 0 ? null : version };
    }
    case 12: {
      const version = here.versions?.[c % here.versions.length];
      return { type: 'chooseVersion', id: here.id, chosen: version ? `version:${version.id}` : 'standing' };
    }
    case 13:
      return next
        ? {
            type: 'replace',
            removed: [here.id, next.id],
            captions: [{ ...here, text: `${here.text} ${next.text}`, end: Math.max(here.end, next.end) }],
          }
        : null;
    default:
      return c % 2 ? { type: 'proof', ids: [here.id], proofed: true } : { type: 'remove', ids: [here.id] };
  }
}

/** Applies edits built from seeds; gives the edits that fitted, their inverses and the captions after. */
export function play(
  captions: readonly Caption[],
  seeds: readonly Seed[],
  prefix: string,
): { edits: Edit[]; inverses: Edit[]; captions: readonly Caption[] } {
  const edits: Edit[] = [];
  const inverses: Edit[] = [];
  let now = captions;
  for (const seed of seeds) {
    const edit = editFrom(now, seed, prefix);
    if (!edit) continue;
    if (edit.type === 'split' && now.some((c) => c.id === edit.newId)) continue;
    const done = apply(now, edit);
    edits.push(edit);
    inverses.unshift(done.inverse);
    now = done.captions;
  }
  return { edits, inverses, captions: now };
}

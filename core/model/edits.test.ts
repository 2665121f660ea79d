import fc from 'fast-check';
import { captionsArbitrary, play, seedsArbitrary } from './arbitrary.ts';
import { caption, inOrder, type Caption, type WordRange } from './caption.ts';
import { decodeEdit, NotDecoded } from './decode.ts';
import { apply, applyAll } from './apply.ts';
import { EditRefused, merge, type Edit } from './edits.ts';

const words: readonly WordRange[] = [
  [0, 2, 1000, 1200, 0.9, 'recogniser', 'if'],
  [3, 6, 1200, 1400, 0.9, 'recogniser', 'the'],
  [7, 14, 1400, 1900, 0.8, 'recogniser', 'lantern'],
  [15, 17, 1900, 2000, 0.9, 'recogniser', 'is'],
  [18, 22, 2000, 2400, 0.31, 'recogniser', 'read'],
];
const lantern = caption({ id: 'a', start: 1000, end: 2600, text: 'if the lantern is read', words });

const timesOf = (edit: Edit) =>
  apply([lantern], edit).captions.map((c) => c.words.map((w) => [c.text.slice(w[0], w[1]), w[2], w[3], w[5]]));

describe('apply', () => {
  it('gives an inverse that puts everything back, whatever the edits', () => {
    fc.assert(
      fc.property(captionsArbitrary, seedsArbitrary, (captions, seeds) => {
        const done = play(captions, seeds, 'n');
        const back = done.inverses.reduce((now, edit) => apply(now, edit).captions, done.captions);
        expect(back).toEqual(captions);
      }),
    );
  });

  it('gives in one pass what it gives one after the other', () => {
    fc.assert(
      fc.property(captionsArbitrary, seedsArbitrary, (captions, seeds) => {
        const done = play(captions, seeds, 'n');
        expect(applyAll(captions, done.edits)).toEqual(done.captions);
        const together = apply(captions, { type: 'together', edits: done.edits });
        expect(together.captions).toEqual(done.captions);
        expect(apply(together.captions, together.inverse).captions).toEqual(captions);
      }),
    );
  });

  it('moves the times of words along pieces and leaves those of captions to what is said', () => {
    const moved = apply([lantern], {
      type: 'retime',
      captions: [{ id: 'a', start: 2000, end: 3600, timing: 'set' }],
      pieces: [
        [1000, 2000],
        [2400, 3400 + 1400],
      ],
    }).captions[0];
    expect(moved).toMatchObject({ start: 2000, end: 3600 });
    expect(moved?.words.map((w) => [w[2], w[3]])).toEqual([
      [2000, 2400],
      [2400, 2800],
      [2800, 3800],
      [3800, 4000],
      [4000, 4800],
    ]);
  });

  it('puts 900 captions in their places by one edit', () => {
    const many = Array.from({ length: 900 }, (_, i) => ({ ...lantern, id: `c${String(i)}` }));
    const captions = many.map((c, i) => ({ id: c.id, start: i * 3000, end: i * 3000 + 2000, timing: 'set' as const }));
    const { captions: placed, inverse } = apply(many, { type: 'retime', captions, pieces: [] });
    expect(placed.map((c) => c.start)).toEqual(captions.map((c) => c.start));
    expect(apply(placed, inverse).captions).toEqual([...many].sort(inOrder));
  });

  it('keeps captions in order and ranges inside their text', () => {
    fc.assert(
      fc.property(captionsArbitrary, seedsArbitrary, (captions, seeds) => {
        const after = play(captions, seeds, 'n').captions;
        expect([...after].sort(inOrder)).toEqual(after);
        for (const c of after) {
          for (const r of [...c.marks, ...c.words.map((w) => ({ from: w[0], to: w[1] }))]) {
            expect(r.from).toBeLessThan(r.to);
            expect(r.to).toBeLessThanOrEqual(c.text.length);
          }
          for (const w of c.words) expect(c.text.slice(w[0], w[1])).toMatch(/^\S+$/);
        }
      }),
    );
  });

  it('survives the way through JSON', () => {
    fc.assert(
      fc.property(captionsArbitrary, seedsArbitrary, (captions, seeds) => {
        const done = play(captions, seeds, 'n');
        for (const edit of [...done.edits, ...done.inverses])
          expect(decodeEdit(JSON.parse(JSON.stringify(edit)))).toEqual(edit);
      }),
    );
  });

  it('keeps the time of a mended word, and what was first heard', () => {
    const after = apply([lantern], { type: 'splice', id: 'a', from: 18, to: 22, insert: 'red,' }).captions[0];
    expect(after?.words.at(-1)).toEqual([18, 22, 2000, 2400, 0.31, 'recogniser', 'read']);
    expect(after?.proofed).toBe(false);
  });

  it('shares the time of one word among two by letters', () => {
    expect(timesOf({ type: 'splice', id: 'a', from: 11, to: 11, insert: ' ' })).toEqual([
      [
        ['if', 1000, 1200, 'recogniser'],
        ['the', 1200, 1400, 'recogniser'],
        ['lant', 1400, 1686, 'guessed'],
        ['ern', 1686, 1900, 'guessed'],
        ['is', 1900, 2000, 'recogniser'],
        ['read', 2000, 2400, 'recogniser'],
      ],
    ]);
  });

  it('gives each part its own words when a caption is shared, and both when joined again', () => {
    const shared = apply([lantern], { type: 'split', id: 'a', at: 15, newId: 'b', end: 1900, start: 1980 }).captions;
    expect(shared.map((c) => c.text)).toEqual(['if the lantern', 'is read']);
    expect(shared[1]?.words.map((w) => w[2])).toEqual([1900, 2000]);
    const joined = apply(shared, { type: 'join', id: 'a', next: 'b', between: ' ' }).captions;
    expect(joined).toEqual([lantern]);
  });

  it('carries marks over a share and a join', () => {
    const marked = apply([lantern], {
      type: 'mark',
      id: 'a',
      from: 7,
      to: 17,
      kind: 'italic',
      value: '',
      on: true,
    }).captions;
    const shared = apply(marked, { type: 'split', id: 'a', at: 15, newId: 'b', end: 1900, start: 1980 }).captions;
    expect(shared.map((c) => c.marks.map((m) => c.text.slice(m.from, m.to)))).toEqual([['lantern'], ['is']]);
    const joined = apply(shared, { type: 'join', id: 'a', next: 'b', between: ' ' }).captions[0];
    expect(joined?.marks).toEqual([{ from: 7, to: 17, kind: 'italic', value: '' }]);
  });

  it('keeps a label a label while the words after it change, and shortens it when it is edited', () => {
    const said = caption({
      id: 's',
      start: 0,
      end: 1000,
      text: 'KEEPER: Wait',
      speakers: [{ from: 0, to: 12, speaker: 'Keeper', label: 8 }],
    });
    const longer = apply([said], { type: 'splice', id: 's', from: 12, to: 12, insert: ' here' }).captions[0];
    expect(longer?.speakers).toEqual([{ from: 0, to: 17, speaker: 'Keeper', label: 8 }]);
    const shorter = apply([said], { type: 'splice', id: 's', from: 2, to: 6, insert: '' }).captions[0];
    expect(shorter?.speakers).toEqual([{ from: 0, to: 8, speaker: 'Keeper', label: 4 }]);
  });

  it.each<[string, Edit]>([
    ['a caption that is gone', { type: 'splice', id: 'x', from: 0, to: 0, insert: 'a' }],
    ['characters past the end', { type: 'splice', id: 'a', from: 0, to: 99, insert: '' }],
    ['an end before the start', { type: 'setTimes', id: 'a', start: 10, end: 5 }],
    ['an id taken twice', { type: 'insert', captions: [lantern] }],
    ['itself to be joined with', { type: 'join', id: 'a', next: 'a', between: ' ' }],
  ])('refuses %s', (_, edit) => {
    expect(() => apply([lantern], edit)).toThrow(EditRefused);
  });
});

describe('merge', () => {
  const splice = (from: number, to: number, insert: string): Edit => ({ type: 'splice', id: 'a', from, to, insert });

  const moved = (...times: readonly (readonly [string, number])[]): Edit => ({
    type: 'retime',
    captions: times.map(([id, start]) => ({ id, start, end: start + 1000, timing: 'set' })),
    pieces: [],
  });

  it.each<[string, Edit, Edit, Edit | null]>([
    ['typing on', splice(4, 4, 'a'), splice(5, 5, 'b'), splice(4, 4, 'ab')],
    ['deleting backwards', splice(4, 5, ''), splice(3, 4, ''), splice(3, 5, '')],
    ['deleting forwards', splice(4, 5, ''), splice(4, 5, ''), splice(4, 6, '')],
    ['mending what was just typed', splice(4, 4, 'ab'), splice(5, 6, 'c'), splice(4, 4, 'ac')],
    ['a new word', splice(4, 4, 'a '), splice(6, 6, 'b'), null],
    ['another place', splice(4, 4, 'a'), splice(9, 9, 'b'), null],
    ['an edge moved on', moved(['a', 100]), moved(['a', 140]), moved(['a', 140])],
    [
      'a shared edge moved on',
      moved(['a', 100], ['b', 200]),
      moved(['a', 140], ['b', 240]),
      moved(['a', 140], ['b', 240]),
    ],
    ['another edge', moved(['a', 100]), moved(['b', 140]), null],
    ['a shared edge, then one side of it', moved(['a', 100], ['b', 200]), moved(['a', 140]), null],
    ['moved, then typed', moved(['a', 100]), splice(4, 4, 'a'), null],
  ])('%s', (_, a, b, expected) => expect(merge(a, b)).toEqual(expected));

  it('does the same as the two edits one after the other', () => {
    fc.assert(
      fc.property(
        captionsArbitrary,
        fc.nat(40),
        fc.nat(5),
        fc.nat(40),
        fc.nat(5),
        fc.string({ maxLength: 3 }),
        fc.string({ maxLength: 3 }),
        (captions, x, dx, y, dy, s, t) => {
          const first = captions[0];
          if (!first) return;
          const from = x % (first.text.length + 1);
          const a: Edit = { type: 'splice', id: first.id, from, to: Math.min(first.text.length, from + dx), insert: s };
          const middle = apply(captions, a).captions;
          const now = middle.find((c) => c.id === first.id);
          if (!now) return;
          const start = y % (now.text.length + 1);
          const b: Edit = {
            type: 'splice',
            id: first.id,
            from: start,
            to: Math.min(now.text.length, start + dy),
            insert: t,
          };
          const merged = merge(a, b);
          if (merged) expect(apply(captions, merged).captions[0]?.text).toBe(apply(middle, b).captions[0]?.text);
        },
      ),
    );
  });
});

describe('decodeEdit', () => {
  it.each([
    ['nothing', null],
    ['an unknown type', { type: 'paint' }],
    ['a missing id', { type: 'proof', ids: [''], proofed: true }],
    ['a range backwards', { type: 'splice', id: 'a', from: 4, to: 2, insert: '' }],
    ['a carriage return', { type: 'splice', id: 'a', from: 0, to: 0, insert: 'a\rb' }],
    [
      'a mark outside its text',
      { type: 'insert', captions: [{ ...lantern, marks: [{ from: 0, to: 99, kind: 'bold', value: '' }] }] },
    ],
    ['a fraction of a millisecond', { type: 'setTimes', id: 'a', start: 0.5, end: 2 }],
    [
      'edits without end inside one another',
      Array.from({ length: 20 }).reduce<unknown>((inner) => ({ type: 'together', edits: [inner] }), {
        type: 'proof',
        ids: [],
        proofed: true,
      }),
    ],
  ])('refuses %s and names the place', (_, json) => {
    expect(() => decodeEdit(json)).toThrow(NotDecoded);
    expect(() => decodeEdit(json)).toThrow(/^edit.*expected/);
  });

  it('never throws anything else, whatever the JSON', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (json) => {
        try {
          decodeEdit(json);
        } catch (error) {
          expect(error).toBeInstanceOf(NotDecoded);
        }
      }),
    );
  });
});

describe('many splices at once', () => {
  const row = Array.from({ length: 12 }, (_, i) =>
    caption({ id: `c${String(i)}`, start: i * 1000, end: i * 1000 + 900, text: 'the gate is shut', proofed: true }),
  );
  const edits = row.flatMap((c): Edit[] => [
    { type: 'splice', id: c.id, from: 9, to: 11, insert: 'was' },
    { type: 'splice', id: c.id, from: 0, to: 3, insert: 'a' },
  ]);

  it('give what they give one after the other, and are taken back together', () => {
    let one: readonly Caption[] = row;
    for (const edit of edits) one = apply(one, edit).captions;
    const all = apply(row, { type: 'together', edits });
    expect(all.captions).toEqual(one);
    expect(all.captions[0]?.text).toBe('a gate was shut');
    expect(apply(all.captions, all.inverse).captions).toEqual(row);
  });

  it('are refused as a whole where one does not fit', () => {
    const wrong: Edit = { type: 'splice', id: 'gone', from: 0, to: 0, insert: 'x' };
    expect(() => apply(row, { type: 'together', edits: [...edits, wrong] })).toThrow(EditRefused);
  });

  it('take the proof back unless they say that they keep it', () => {
    const one = (keeps?: true): boolean | undefined =>
      apply(row, { type: 'splice', id: 'c0', from: 0, to: 0, insert: 'x', ...(keeps ? { keeps } : {}) }).captions[0]
        ?.proofed;
    expect([one(), one(true)]).toEqual([false, true]);
  });
});

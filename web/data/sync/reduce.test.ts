/** Every order of what can happen to a track on its way, without a server, a clock or an outbox. */
import fc from 'fast-check';
import { ApiError } from '../../../core/contract/api-error.ts';
import { apply, applyAll } from '../../../core/model/apply.ts';
import { caption, type Caption } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import type { Batch, LoggedTrack, Since } from '../../../core/model/logged.ts';
import { away } from '../client/client.ts';
import type { WaitingEdit } from './outbox.ts';
import { reduce } from './reduce.ts';
import type { SyncEffect, SyncInput } from './sync-effects.ts';
import { unopened, type SyncModel } from './sync-model.ts';

const captions: readonly Caption[] = ['a', 'b', 'c'].map((id, i) =>
  caption({ id, start: i * 3000, end: i * 3000 + 2000, text: `caption ${id}` }),
);
const track: LoggedTrack = {
  id: 't',
  name: 'fair copy',
  kind: 'captions',
  language: 'en',
  captions,
  edit: 0,
  batch: null,
} as LoggedTrack;

/** The server’s log in a few lines: batches that are known by their names, and edits that it will not have. */
function logForTests() {
  const batches: { id: string; edits: readonly Edit[]; last: number }[] = [];
  const edits = () => batches.flatMap((b) => b.edits);
  const since = (after: number): Since => ({
    edit: edits().length,
    batch: batches.at(-1)?.id ?? null,
    since: edits().slice(after),
  });
  const put = (id: string, made: readonly Edit[]): number => {
    applyAll(captions, [...edits(), ...made]);
    const last = edits().length + made.length;
    batches.push({ id, edits: made, last });
    return last;
  };
  return {
    edits,
    captions: () => applyAll(captions, edits()),
    since,
    put,
    /** @throws {ApiError} where something of it is refused */
    append({ id, base, edits: made }: Batch): number | Since {
      const known = batches.find((b) => b.id === id);
      if (known) return known.last;
      if (base < edits().length) return since(base);
      if (JSON.stringify(made).includes('refuse')) throw new ApiError('edit-refused', 'It is refused.');
      return put(id, made);
    },
  };
}

type Asked = Extract<SyncEffect, { type: 'ask' | 'send' | 'let-go' }>;

/** One page with its outbox; what it asks of the server waits until the test says how it is answered. */
function pageForTests() {
  const log = logForTests();
  let model = unopened('t', 'page');
  let outbox: { base: number; edits: readonly WaitingEdit[] } = { base: 0, edits: [] };
  let asked: readonly Asked[] = [];
  let pause: number | null = null;
  let [names, now] = [0, 0];
  const effects: SyncEffect[] = [];
  const sources = { newId: () => `id-${String(++names)}`, now: () => now, random: () => 1 };

  function happen(input: SyncInput): void {
    const step = reduce(model, input, sources);
    ({ model } = step);
    for (const effect of step.effects) {
      effects.push(effect);
      if (effect.type === 'put' || effect.type === 'send') {
        const seqs = new Set(effect.edits.map((w) => w.seq));
        outbox = { base: effect.line.base, edits: [...outbox.edits.filter((w) => !seqs.has(w.seq)), ...effect.edits] };
        outbox = { ...outbox, edits: [...outbox.edits].sort((a, b) => a.seq - b.seq) };
      }
      if (effect.type === 'replace') outbox = { base: effect.line.base, edits: effect.edits };
      if (effect.type === 'let-go')
        outbox = { base: effect.line.base, edits: outbox.edits.filter((w) => !effect.seqs.includes(w.seq)) };
      if (effect.type === 'ask' || effect.type === 'send' || effect.type === 'let-go') asked = [...asked, effect];
      if (effect.type === 'wait') pause = effect.ms;
      if (effect.type === 'end') pause = null;
    }
  }

  /** What was asked comes to its end: answered, answered with the answer lost, or never heard by the server. */
  function answer(how: 'answered' | 'lost' | 'unheard'): void {
    const [first] = asked;
    if (!first) return;
    asked = asked.slice(1);
    if (first.type === 'let-go') {
      happen({ type: 'let-go' });
      return;
    }
    let input: SyncInput = { type: 'failed', error: away() };
    if (how !== 'unheard')
      try {
        const given = first.type === 'ask' ? log.since(first.edit) : log.append(first.batch);
        input =
          typeof given === 'number'
            ? { type: 'taken', batch: first.type === 'send' ? first.batch.id : '', edit: given }
            : { type: 'others', news: given };
      } catch (error) {
        input = { type: 'failed', error };
      }
    happen(how === 'lost' ? { type: 'failed', error: away() } : input);
  }

  function type(id: string, insert: string, joins = false): void {
    const at = model.shown.find((c) => c.id === id)?.text.length ?? 0;
    const edit: Edit = { type: 'splice', id, from: at, to: at, insert };
    happen({ type: 'made', edit, joins, applied: apply(model.shown, edit), beside: null, at: (now += 1000) });
  }

  function due(): void {
    if (pause === null) return;
    pause = null;
    happen({ type: 'due' });
  }

  happen({ type: 'loaded', track });
  happen({ type: 'opened', asides: [] });
  return {
    log,
    effects,
    happen,
    answer,
    type,
    due,
    model: (): SyncModel => model,
    outbox: () => outbox,
    asked: () => asked,
    pause: () => pause,
    /** Another page has typed. */
    others(id: string, insert: string): void {
      const at = log.captions().find((c) => c.id === id)?.text.length ?? 0;
      happen({ type: 'told', edit: log.put(sources.newId(), [{ type: 'splice', id, from: at, to: at, insert }]) });
    },
    /** The server is there and answers, until nothing is asked any more. */
    settle(): void {
      for (let n = 0; n < 500 && (asked.length > 0 || pause !== null); n++)
        if (asked.length > 0) answer('answered');
        else due();
    },
  };
}
type PageForTests = ReturnType<typeof pageForTests>;

const captionId = fc.constantFrom('a', 'b', 'c');
const chance = fc.oneof(
  { weight: 4, arbitrary: fc.record({ does: fc.constant('type' as const), id: captionId, on: fc.boolean() }) },
  { weight: 2, arbitrary: fc.record({ does: fc.constant('others' as const), id: captionId }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant('refuse' as const), id: captionId }) },
  {
    weight: 6,
    arbitrary: fc.record({
      does: fc.constant('answer' as const),
      how: fc.constantFrom('answered' as const, 'lost' as const, 'unheard' as const),
    }),
  },
  { weight: 4, arbitrary: fc.record({ does: fc.constant('due' as const) }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constantFrom('poked' as const, 'left' as const, 'entered' as const) }) },
);
type Chance = typeof chance extends fc.Arbitrary<infer T> ? T : never;

function take(page: PageForTests, what: Chance, n: number): void {
  if (page.model().ended) return;
  if (what.does === 'type') page.type(what.id, ` own-${String(n)}.`, what.on);
  else if (what.does === 'refuse') page.type(what.id, ` refuse-${String(n)}.`);
  else if (what.does === 'others') page.others(what.id, ` other-${String(n)}.`);
  else if (what.does === 'answer') page.answer(what.how);
  else if (what.does === 'due') page.due();
  else page.happen({ type: what.does });
}

const times = (within: string, part: string): number => within.split(part).length - 1;

describe('whatever happens, in whatever order', () => {
  it('each word that is typed is in the log once, or set aside once, and the page shows what the log has', () => {
    fc.assert(
      fc.property(fc.array(chance, { maxLength: 40 }), (chances) => {
        const page = pageForTests();
        chances.forEach((what, n) => take(page, what, n));
        page.settle();
        const { model, log } = page;
        if (!model().ended) expect(model().shown).toEqual(log.captions());
        expect(model().own).toEqual([]);
        const [there, aside] = [JSON.stringify(log.captions()), JSON.stringify(model().asides)];
        for (const made of log.edits().concat(model().asides.flatMap((a) => a.edits)))
          for (const [word] of JSON.stringify(made).matchAll(/(own|refuse)-\d+\./g))
            expect([word, times(there, word) + times(aside, word)]).toEqual([word, 1]);
        expect(times(there, 'refuse')).toBe(0);
      }),
      { numRuns: 300 },
    );
  });

  it('the outbox has the own edits in their order, on the edit that is confirmed, and one thing is asked at a time', () => {
    fc.assert(
      fc.property(fc.array(chance, { maxLength: 40 }), (chances) => {
        const page = pageForTests();
        chances.forEach((what, n) => {
          take(page, what, n);
          const { own, confirmed } = page.model();
          expect(page.outbox().edits.map(({ seq, edit }) => ({ seq, edit }))).toEqual(
            own.map(({ seq, edit }) => ({ seq, edit })),
          );
          // A batch that was refused is still written there; one that may have arrived has to be.
          page.outbox().edits.forEach(({ batch }, i) => expect([batch, null]).toContain(own[i]?.batch));
          if (own.length > 0) expect(page.outbox().base).toBe(confirmed?.edit);
          expect(page.asked().length).toBeLessThanOrEqual(1);
        });
      }),
      { numRuns: 300 },
    );
  });

  it('no word is lost that was typed before something else happened', () => {
    fc.assert(
      fc.property(fc.array(chance, { maxLength: 30 }), (chances) => {
        const page = pageForTests();
        page.type('a', ' first-word.');
        chances.forEach((what, n) => take(page, what, n));
        page.settle();
        const [there, aside] = [JSON.stringify(page.log.captions()), JSON.stringify(page.model().asides)];
        expect(times(there, 'first-word.') + times(aside, 'first-word.')).toBe(1);
      }),
      { numRuns: 200 },
    );
  });
});

type Happening = (page: PageForTests) => void;
const typed: Happening = (page) => page.type('a', '!');
const due: Happening = (page) => page.due();
const answered: Happening = (page) => page.answer('answered');
const unheard: Happening = (page) => page.answer('unheard');
const poked: Happening = (page) => page.happen({ type: 'poked' });
const left: Happening = (page) => page.happen({ type: 'left' });

/** What happens, and the effects it has, those that tell the page left out. */
const orders: readonly (readonly [name: string, happens: readonly Happening[], effects: readonly string[]])[] = [
  ['nothing happens after opening', [], []],
  ['something is typed', [typed], ['put', 'wait 350']],
  ['something is typed, and typing pauses', [typed, due], ['put', 'wait 350', 'send']],
  ['the server takes it', [typed, due, answered, answered], ['put', 'wait 350', 'send', 'let-go', 'announce']],
  [
    'another page types while it is sent',
    [typed, due, (page) => page.others('b', '?'), answered],
    ['put', 'wait 350', 'send', 'replace', 'send'],
  ],
  [
    'it is poked while it is sent: it asks once more after that',
    [typed, due, poked, due, answered, answered],
    ['put', 'wait 350', 'send', 'wait 0', 'let-go', 'announce', 'ask'],
  ],
  [
    'the server is away: it waits longer each time',
    [poked, ...Array.from({ length: 7 }, () => [due, unheard]).flat()],
    [0, 1000, 2000, 4000, 8000, 16_000, 30_000].flatMap((ms) => [`wait ${String(ms)}`, 'ask']).concat('wait 30000'),
  ],
  [
    'something is typed while the server is away: it does not ask sooner',
    [poked, due, unheard, typed],
    ['wait 0', 'ask', 'wait 1000', 'put'],
  ],
  ['it is left with nothing on its way', [left], ['end']],
  [
    'it is left with something on its way: it ends after that',
    [typed, left, (page) => page.settle()],
    ['put', 'wait 350', 'wait 0', 'send', 'let-go', 'announce', 'end'],
  ],
  [
    'the log is another one: it sends nothing more',
    [
      typed,
      due,
      (page) => page.happen({ type: 'failed', error: new ApiError('other-history', 'Another one.') }),
      poked,
      due,
      left,
      due,
    ],
    ['put', 'wait 350', 'send', 'wait 0', 'wait 0'],
  ],
  [
    'what waits is somewhere else while it is sent: nothing of it is set aside',
    [
      (page) => page.type('a', ' refuse'),
      due,
      (page) => page.happen({ type: 'abandoned' }),
      (page) => page.happen({ type: 'ended' }),
      answered,
    ],
    ['put', 'wait 350', 'send', 'end'],
  ],
];

describe('a track on its way, where', () => {
  it.each(orders)('%s', (_, happens, expected) => {
    const page = pageForTests();
    const before = page.effects.length;
    for (const happening of happens) happening(page);
    const said = page.effects.slice(before).filter((e) => e.type !== 'tell');
    expect(said.map((e) => (e.type === 'wait' ? `wait ${String(e.ms)}` : e.type))).toEqual(expected);
  });

  it('it was told of an edit while it opened, asks at the end of that', () => {
    const told = reduce(unopened('t', 'page'), { type: 'told', edit: 3 }, sourcesOf());
    const loaded = reduce(told.model, { type: 'loaded', track }, sourcesOf());
    const { effects } = reduce(loaded.model, { type: 'opened', asides: [] }, sourcesOf());
    expect([...told.effects, ...loaded.effects]).toEqual([]);
    expect(effects.at(-1)).toEqual({ type: 'wait', ms: 0 });
  });
});

const sourcesOf = () => ({ newId: () => 'id', now: () => 0, random: () => 1 });

/** The same is heard in a recording whoever hears it, with however many processors. */
import type { PartHeard } from './anchors.ts';
import { howManyParts, listenWith, type Hearer } from './listen.ts';
import type { Script } from './script.ts';

/** Sentences of three seconds with a second between them. */
const speechFor = (sentences: number) =>
  Array.from({ length: sentences }, (_, i) => ({ start: i * 4000, end: i * 4000 + 3000 }));
const word = (caption: number, i: number) => ({ caption, from: i * 5, to: i * 5 + 4, letters: 4, ways: [] });
const scriptFor = (captions: number): Script =>
  ({
    words: Array.from({ length: captions * 4 }, (_, i) => word(Math.floor(i / 4), i % 4)),
    firstOf: Array.from({ length: captions }, (_, i) => i * 4),
  }) as unknown as Script;

/** One that hears nothing, and writes down what it was asked for. */
function hearer(asked: string[]): Hearer {
  return {
    async anchors(so: PartHeard, groups) {
      asked.push(JSON.stringify([so.groups, groups]));
      await new Promise((next) => setTimeout(next));
      return { ...so, groups: so.groups + groups.length };
    },
    fills: () => Promise.resolve([]),
  };
}
async function askedOf(many: number, sentences: number, before: (PartHeard | null)[] = []): Promise<string[]> {
  const asked: string[] = [];
  const hearers = Array.from({ length: many }, () => hearer(asked));
  await listenWith(hearers, scriptFor(sentences), speechFor(sentences), sentences * 4000, { before });
  return asked.sort();
}

it.each([20, 130, 900])('one, two and five hearers are asked for the same in %i sentences', async (sentences) => {
  const alone = await askedOf(1, sentences);
  expect(alone.length).toBeGreaterThan(0);
  expect(await askedOf(2, sentences)).toEqual(alone);
  expect(await askedOf(5, sentences)).toEqual(alone);
});

it('a short recording is heard in one part, a long one in four at most', () => {
  expect([20, 130, 900, 5000].map((n) => howManyParts(speechFor(n)))).toEqual([1, 2, 4, 4]);
  expect(howManyParts([])).toBe(1);
});

it('what was heard before is gone on with, unless it was of another division', async () => {
  const alone = await askedOf(1, 130);
  const kept: (readonly (PartHeard | null)[])[] = [];
  await listenWith([hearer([])], scriptFor(130), speechFor(130), 520_000, { keep: (heard) => kept.push(heard) });
  const last = [...(kept.at(-1) ?? [])];
  expect(await askedOf(1, 130, last)).toEqual([]);
  expect(await askedOf(1, 130, last.slice(0, 1))).toEqual(alone);
});

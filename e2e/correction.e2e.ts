/**
 * A real correction by keyboard alone: the first minute of the demo, from its machine draft to what was
 * said. Counts the keys that takes, beside those of retyping and of plain editing.
 */
import { readFileSync } from 'node:fs';
import type { Caption, WordRange } from '../core/model/caption.ts';
import { isDoubtful } from '../core/model/doubt.ts';
import { withApplication } from './support/application.ts';
import { By, caretAt, control, eventually, holding, Key, type } from './support/browser.ts';
import { withDemoDesk } from './support/desk.ts';

const app = withApplication();
const { kept } = withDemoDesk(app);
const minute = 60_000;

interface Sentence {
  readonly text: string;
  readonly start: number;
}
const { sentences } = JSON.parse(readFileSync('demo/recordings/lock-after-dark/true-script.json', 'utf8')) as {
  sentences: readonly Sentence[];
};
const wordsOf = (text: string): string[] => text.split(/\s+/).filter(Boolean);
const lettersOf = (text: string): string[] => Array.from(text);
const fold = (word: string): string => word.toLowerCase().replace(/[^\p{L}\p{N}']/gu, '');

/** Keys that were pressed; one with Ctrl or Shift counts once. */
let pressed = 0;
/** Keys that plain editing would have taken for the same: going by words and letters, writing over what is wrong. */
let plainly = 0;

async function press(...keys: string[]): Promise<void> {
  pressed += keys.length;
  await type(app.driver, ...keys);
}
async function withControl(key: string): Promise<void> {
  pressed++;
  await control(app.driver, key);
}
async function withShift(key: string): Promise<void> {
  pressed++;
  await holding(app.driver, [Key.SHIFT], key);
}

/** Where the cursor stands in the cursor caption, counted in its text. */
const offset = (): Promise<number> =>
  app.driver.executeScript<number>(`const { focusNode, focusOffset } = getSelection();
    const line = (focusNode.nodeType === 1 ? focusNode : focusNode.parentElement).closest('.cm-line');
    const range = document.createRange();
    range.setStart(line, 0);
    range.setEnd(focusNode, focusOffset);
    let at = range.toString().length;
    for (let before = line; !before.classList.contains('row-first'); ) {
      before = before.previousElementSibling;
      at += before.textContent.length + 1;
    }
    return at;`);

/** A pair in the alignment: words of the draft, and what was said there. */
interface Pair {
  readonly draft: number | null;
  readonly said: number | null;
}

/** The words of the draft beside those that were said, by the cheapest way to make one of the other (Wagner and Fischer). */
function aligned(draft: readonly string[], said: readonly string[]): Pair[] {
  const width = said.length + 1;
  const cost = new Float64Array((draft.length + 1) * width);
  const at = (i: number, j: number): number => cost[i * width + j] ?? 0;
  const change = (i: number, j: number): number => (fold(draft[i] ?? '') === fold(said[j] ?? '') ? 0 : 1.2);
  for (let i = draft.length; i >= 0; i--)
    for (let j = said.length; j >= 0; j--) {
      if (i === draft.length) cost[i * width + j] = said.length - j;
      else if (j === said.length) cost[i * width + j] = draft.length - i;
      else cost[i * width + j] = Math.min(at(i + 1, j + 1) + change(i, j), at(i + 1, j) + 1, at(i, j + 1) + 1);
    }
  const pairs: Pair[] = [];
  for (let i = 0, j = 0; i < draft.length || j < said.length;) {
    if (i < draft.length && j < said.length && at(i, j) === at(i + 1, j + 1) + change(i, j))
      pairs.push({ draft: i++, said: j++ });
    else if (i < draft.length && (j === said.length || at(i, j) === at(i + 1, j) + 1))
      pairs.push({ draft: i++, said: null });
    else pairs.push({ draft: null, said: j++ });
  }
  return pairs;
}

/** What is to be done to one caption: for each of its words what stands there in the end, nothing where it goes. */
type Plan = { readonly is: string; readonly becomes: readonly string[] }[];

function planned(captions: readonly Caption[], said: readonly string[]): Plan[] {
  const plans = captions.map((c): Plan => wordsOf(c.text).map((is) => ({ is, becomes: [] })));
  const flat = plans.flatMap((plan, c) => plan.map((_, w) => ({ c, w })));
  let last = flat[0];
  const add = (at: { c: number; w: number } | undefined, word: string): void => {
    const step = at && plans[at.c]?.[at.w];
    if (step) (step.becomes as string[]).push(word);
  };
  const draft = plans.flatMap((plan) => plan.map(({ is }) => is));
  for (const pair of aligned(draft, said)) {
    if (pair.draft !== null) last = flat[pair.draft];
    if (pair.said !== null) add(last, said[pair.said] ?? '');
  }
  return plans;
}

let captions: readonly Caption[];
let script: readonly string[];

beforeAll(async () => {
  const all = await kept();
  captions = all.filter((c) => c.end <= minute);
  const until = all[captions.length]?.start ?? Infinity;
  script = sentences.filter((s) => s.start < until - 500).flatMap((s) => wordsOf(s.text));
  await caretAt(app.driver, 'welcome', 'before');
});

/** Where one comes going right from an offset: by a word where that does not go too far, else by a letter. */
function stepped(text: string, at: number, place: number): number {
  if (at > place) return at - 1;
  const word = /^\s*\S+/.exec(text.slice(at))?.[0].length ?? Infinity;
  return at + word <= place ? at + word : at + 1;
}
function steps(text: string, from: number, place: number): number {
  let many = 0;
  for (let at = from; at !== place; at = stepped(text, at, place)) many++;
  return many;
}

const textHere = (): Promise<string> =>
  app.driver.executeScript<string>(
    `return [...document.querySelectorAll('.cm-line.row-cursor')].map((l) => l.textContent).join('\\n')`,
  );
const selectedHere = (): Promise<string> => app.driver.executeScript<string>('return getSelection().toString()');

async function goTo(place: number): Promise<void> {
  for (let at = await offset(); at !== place; at = await offset()) {
    const to = stepped(await textHere(), at, place);
    if (to === at + 1) await press(Key.ARROW_RIGHT);
    else if (to < at) await press(Key.ARROW_LEFT);
    else await withControl(Key.ARROW_RIGHT);
  }
}

/** A listener needs so long to press a key after a word has ended, beyond what the key allows for, in ms. */
const late = 100;

/** The sound has come as far as a word; F3 brings it up, once more for each word that was said since. */
async function hear(word: WordRange, place: number): Promise<void> {
  await app.driver.executeAsyncScript(
    `const [at, done] = arguments;
     const media = document.querySelector('video');
     media.addEventListener('seeked', () => requestAnimationFrame(() => done()), { once: true });
     media.currentTime = at;`,
    (word[3] + late) / 1000,
  );
  await press(Key.F3);
  for (let n = 0; n < 4 && (await offset()) !== place + word[1] - word[0]; n++) await press(Key.F3);
  expect((await selectedHere()).length).toBe(word[1] - word[0]);
}

/** The suggestions that are open, as written on them. */
const suggestions = async (): Promise<string[]> =>
  eventually(app.driver, 'suggestions', async () => {
    const card = await app.driver.findElements(By.css('.suggestions'));
    const words = await app.driver.findElements(By.css('.suggestions button'));
    if (card.length === 0 || (await card[0]?.getText())?.includes('looking')) return null;
    return Promise.all(words.map(async (w) => (await w.getText()).replace(/^\d\s+/, '').trim()));
  });

const sign = /[.,?!]$/;

/** Takes what is wanted among the suggestions, or types it over the word, which stands selected. */
async function suggested(wanted: string): Promise<void> {
  const plainWord = wanted.replace(sign, '');
  const at = (await suggestions()).indexOf(plainWord);
  await press(...(at >= 0 ? [String(at + 1), ...lettersOf(wanted.slice(plainWord.length))] : lettersOf(wanted)));
}

const sameLetter = (a: string, b: string): boolean => a.charAt(0).toLowerCase() === b.charAt(0).toLowerCase();

/** The keys plain editing takes for one word, and where its cursor is then. */
function plain(text: string, from: number, place: number, is: string, wanted: string): { keys: number; at: number } {
  const end = place + is.length;
  if (wanted !== '' && wanted.slice(1).startsWith(is.slice(1))) {
    const added = wanted.length - is.length;
    const first = wanted.startsWith(is) ? 0 : steps(text, from, place) + 2;
    const at = first > 0 ? place + 1 : from;
    return { keys: first + (added > 0 ? steps(text, at, end) + added : 0), at: added > 0 ? place + wanted.length : at };
  }
  const gone = wordsOf(is).length;
  return { keys: steps(text, from, end) + gone + Math.max(1, wanted.length), at: place + wanted.length };
}

/** One caption mended, from its first word to its last. @param nth its place in the track, from 1 */
async function correct(id: string, nth: number, plan: Plan): Promise<void> {
  let place = 0;
  let plainAt = 0;
  const textOf = async (): Promise<string> => (await kept()).find((c) => c.id === id)?.text ?? '';
  let text = await textOf();
  for (const { is: was, becomes } of plan) {
    const wanted = becomes.join(' ');
    const is = text.slice(place, place + was.length);
    if (wanted !== was) {
      const { keys, at } = plain(text, plainAt, place, was, wanted);
      plainly += keys;
      plainAt = at;
    }
    if (wanted !== is) {
      await change({ id, nth }, place, is, wanted);
      text = await textOf();
    }
    place += wanted === '' ? 0 : wanted.length + 1;
  }
  // By words over the border costs nothing; from before that, a key goes to the caption below.
  if (plainAt < text.length) plainly++;
}

/** One word becomes another, by the shorter of the ways there are. */
async function change(
  of: { readonly id: string; readonly nth: number },
  place: number,
  is: string,
  wanted: string,
): Promise<void> {
  const end = place + is.length;
  const now = (await kept()).find((c) => c.id === of.id);
  const word = now?.words.find((w) => w[0] === place);
  const isHere = (await app.driver.findElement(By.css('.monitor')).getText()).includes(`Caption ${String(of.nth)} of`);
  const here = isHere ? await offset() : 0;
  const isSized = wanted !== '' && wanted.slice(1).startsWith(is.slice(1)) && sameLetter(wanted, is);
  // The next doubtful word from the cursor is this one, and none before it.
  const isNext = isHere && word && here <= place && now?.words.find((w) => w[0] >= here && isDoubtful(now, w)) === word;
  if (isNext && wanted !== '' && !isSized) {
    await press(Key.F4);
    await suggested(wanted);
    return;
  }
  const isFar = word !== undefined && steps(now?.text ?? '', here, end) + (isHere ? 0 : 1) > 2;
  if (isFar) await hear(word, place);
  else {
    if (!isHere) await withControl(Key.ARROW_DOWN);
    await eventually(app.driver, 'the caption', async () =>
      (await app.driver.findElement(By.css('.monitor')).getText()).includes(`Caption ${String(of.nth)} of`),
    );
    await goTo(end);
  }
  if (isSized) {
    if (!wanted.startsWith(is)) await press(Key.F2);
    if (wanted.length > is.length) await press(...lettersOf(wanted.slice(is.length)));
    return;
  }
  if (wanted === '') {
    if (!isFar) await withControl(Key.BACK_SPACE);
    // A word that goes takes a space along.
    await press(...(isFar ? [Key.BACK_SPACE] : []), place === 0 ? Key.DELETE : Key.BACK_SPACE);
  } else if (isFar) await press(...lettersOf(wanted));
  else {
    await withShift(Key.F4);
    await suggested(wanted);
  }
}

it('makes the true script of the draft by keyboard alone, with fewer keys than retyping it', async () => {
  const plans = planned(captions, script);
  // Playing begins with a key; after that it holds for what is typed, and goes on by itself.
  pressed++;
  for (const [i, plan] of plans.entries()) await correct(captions[i]?.id ?? '', i + 1, plan);
  const done = (await kept()).slice(0, captions.length);
  const written = done.flatMap((c) => wordsOf(c.text)).join(' ');
  expect(written).toBe(script.join(' '));
  const retyping = script.join(' ').length + captions.length;
  console.log(
    `Keys for the first minute: ${String(pressed)} here, ${String(plainly)} in plain editing, ${String(retyping)} for retyping.`,
  );
  expect(pressed).toBeLessThan(retyping);
});

/**
 * A real correction by keyboard alone: the first minute of the demo, from its machine draft to what was
 * said. Counts the keys that takes, beside those of retyping and of plain editing.
 */
import { readFileSync } from 'node:fs';
import type { Caption, Track } from '../core/track/caption.ts';
import type { Job } from '../core/job/job.ts';
import { isDoubtful } from '../core/track/doubt.ts';
import { asking } from './support/ask.ts';
import { withApplication } from './support/application.ts';
import { By, caretAt, eventually, Key, says, see } from './support/browser.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
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
/** Keys that plain editing would have taken for the same: no going to doubtful words, no suggestions, no mending elsewhere. */
let plainly = 0;

async function press(...keys: string[]): Promise<void> {
  pressed += keys.length;
  await app.driver
    .actions()
    .sendKeys(...keys)
    .perform();
}
async function withControl(key: string, shift = false): Promise<void> {
  pressed++;
  const actions = app.driver.actions().keyDown(Key.CONTROL);
  if (shift) actions.keyDown(Key.SHIFT);
  actions.sendKeys(key);
  if (shift) actions.keyUp(Key.SHIFT);
  await actions.keyUp(Key.CONTROL).perform();
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
let track: string;
const kept = async (): Promise<readonly Caption[]> => {
  await says(app.driver, 'All changes kept');
  return (await ask<Track>('GET', `/tracks/${track}`)).captions;
};

beforeAll(async () => {
  const [job] = await ask<Job[]>('GET', '/jobs');
  const whole = await ask<Job>('GET', `/jobs/${job?.id ?? ''}`);
  track = whole.tracks.find((t) => t.kind !== 'machine')?.id ?? '';
  const all = (await ask<Track>('GET', `/tracks/${track}`)).captions;
  captions = all.filter((c) => c.end <= minute);
  const until = all[captions.length]?.start ?? Infinity;
  script = sentences.filter((s) => s.start < until - 500).flatMap((s) => wordsOf(s.text));
  await app.driver.get(`${app.services.address}/jobs/${whole.id}/words`);
  await see(app.driver, '.cm-line');
  await caretAt(app.driver, 'welcome', 'before');
});

/** Goes right, by words while that does not go too far, then by letters. */
async function goTo(place: number): Promise<void> {
  for (let at = await offset(); at !== place; at = await offset()) {
    if (at > place) {
      await press(Key.ARROW_LEFT);
      plainly++;
      continue;
    }
    const text = await app.driver.executeScript<string>(
      `return [...document.querySelectorAll('.cm-line.row-cursor')].map((l) => l.textContent).join('\\n')`,
    );
    const end = /^\s*\S+/.exec(text.slice(at))?.[0].length ?? Infinity;
    if (at + end <= place) await withControl(Key.ARROW_RIGHT);
    else await press(Key.ARROW_RIGHT);
    plainly++;
  }
}

/** The suggestions that are open, as written on them. */
const suggestions = async (): Promise<string[]> =>
  eventually(app.driver, 'suggestions', async () => {
    const card = await app.driver.findElements(By.css('.suggestions'));
    const words = await app.driver.findElements(By.css('.suggestions button'));
    if (card.length === 0 || (await card[0]?.getText())?.includes('looking')) return null;
    return Promise.all(words.map(async (w) => (await w.getText()).split(/\s+\d$/)[0]?.trim() ?? ''));
  });

/** One caption mended, from its first word to its last. */
async function mend(id: string, plan: Plan): Promise<void> {
  let place = 0;
  for (const { is, becomes } of plan) {
    const wanted = becomes.join(' ');
    if (wanted !== is) {
      const now = (await kept()).find((c) => c.id === id);
      const word = now?.words.find((w) => w[0] === place);
      const here = await offset();
      // The next doubtful word from the cursor is this one, and none before it.
      const isNext = here <= place && now?.words.find((w) => w[0] >= here && isDoubtful(now, w)) === word;
      if (now && word && isDoubtful(now, word) && isNext && becomes.length === 1 && fold(is) !== fold(wanted)) {
        // Plainly one would go there by words and write over it.
        plainly += 2 + wanted.length;
        await press(Key.F4);
        const at = (await suggestions()).indexOf(wanted.replace(/[.,?!]$/, ''));
        if (at >= 0) await press(String(at + 1), ...lettersOf(wanted.slice(wanted.replace(/[.,?!]$/, '').length)));
        else await press(...lettersOf(wanted));
      } else if (wanted !== '' && wanted.slice(1).startsWith(is.slice(1))) {
        // A capital, a comma.
        if (!wanted.startsWith(is)) {
          await goTo(place);
          await press(Key.DELETE, wanted.charAt(0));
          plainly += 2;
        }
        if (wanted.length > is.length) {
          await goTo(place + is.length);
          await press(...lettersOf(wanted.slice(is.length)));
          plainly += wanted.length - is.length;
        }
      } else {
        await goTo(place + is.length);
        for (let at = await offset(); at > place; at = await offset()) {
          await withControl(Key.BACK_SPACE);
          plainly++;
        }
        // A word that goes takes a space along.
        await press(...(wanted === '' ? [place === 0 ? Key.DELETE : Key.BACK_SPACE] : lettersOf(wanted)));
        plainly += Math.max(1, wanted.length);
      }
    }
    place += wanted === '' ? 0 : wanted.length + 1;
  }
}

it('makes the true script of the draft by keyboard alone, with fewer keys than retyping it', async () => {
  const plans = planned(captions, script);
  for (const [i, plan] of plans.entries()) {
    const { id } = captions[i] ?? { id: '' };
    await eventually(app.driver, `caption ${String(i + 1)}`, async () =>
      (await app.driver.findElement(By.css('.monitor')).getText()).includes(`Caption ${String(i + 1)} of`),
    );
    await mend(id, plan);
    await withControl(Key.ARROW_DOWN);
    plainly++;
  }
  const done = (await kept()).slice(0, captions.length);
  const written = done.flatMap((c) => wordsOf(c.text)).join(' ');
  expect(written).toBe(script.join(' '));
  const retyping = script.join(' ').length + captions.length;
  console.log(
    `Keys for the first minute: ${String(pressed)} here, ${String(plainly)} in plain editing, ${String(retyping)} for retyping.`,
  );
  expect(pressed).toBeLessThan(retyping);
});

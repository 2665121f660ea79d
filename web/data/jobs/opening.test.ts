import '../../globals-for-tests.ts';
import { createPinia, setActivePinia } from 'pinia';
import { beginOpening } from '../client/opening.ts';
import { useOpening } from './opening.ts';

const answerOf = (id: string) => ({ job: { id, tracks: [] }, track: { id: `track of ${id}`, edit: 3 } });
let asked: string[];
/** What is held back until a test lets it go. */
let held: Promise<void>;
beforeEach(() => {
  asked = [];
  held = Promise.resolve();
  setActivePinia(createPinia());
  globalThis.fetch = async (input) => {
    const url = input as string;
    asked.push(url);
    const waits = held;
    await waits;
    return new Response(JSON.stringify(answerOf(/jobs\/(\w+)\/opening/.exec(url)?.[1] ?? '')));
  };
});

it('a job and its track are asked for once, as soon as it is known which, and taken once', async () => {
  const opening = useOpening();
  opening.begin('j');
  opening.begin('j');
  expect((await opening.job('j')).id).toBe('j');
  expect(opening.takeTrack('track of j')).toMatchObject({ edit: 3 });
  expect(opening.takeTrack('track of j')).toBeNull();
  expect(asked).toEqual(['/api/jobs/j/opening']);
});

it('what was asked for before there were stores is taken over, and good for its own job alone', async () => {
  const opening = useOpening();
  opening.adopt(beginOpening('j', null));
  opening.begin('j');
  await opening.job('j');
  opening.adopt(beginOpening('j', null));
  expect((await opening.job('k')).id).toBe('k');
  expect(asked).toEqual(['/api/jobs/j/opening', '/api/jobs/j/opening', '/api/jobs/k/opening']);
});

it('the track chosen last is asked for', () => {
  localStorage.setItem('fenwix-track-of-c', 't');
  useOpening().begin('c');
  expect(asked).toEqual(['/api/jobs/c/opening?track=t']);
});

it('what was asked for one opening is no answer for a later one', async () => {
  const opening = useOpening();
  await opening.job('j');
  expect(opening.takeTrack('another')).toBeNull();
  expect(opening.takeTrack('track of j')).toBeNull();
});

it('the track of a job that was left before it came is nobody’s', async () => {
  const opening = useOpening();
  let go = (): void => undefined;
  held = new Promise((done) => (go = done));
  const first = opening.job('j');
  held = Promise.resolve();
  await opening.job('k');
  opening.takeTrack('track of k');
  go();
  await first;
  expect(opening.takeTrack('track of j')).toBeNull();
});

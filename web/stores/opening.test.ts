import '../globals-for-tests.ts';
import { createPinia, setActivePinia } from 'pinia';
import { useOpening } from './opening.ts';

const job = { id: 'j', tracks: [{ id: 'a', kind: 'captions' }] };
const answers: Readonly<Record<string, unknown>> = { '/api/jobs/j': job, '/api/tracks/a': { id: 'a', edit: 3 } };
let asked: string[];
beforeEach(() => {
  asked = [];
  setActivePinia(createPinia());
  globalThis.fetch = (input) => {
    const url = input as string;
    asked.push(url);
    return Promise.resolve(new Response(JSON.stringify(answers[url])));
  };
});

/** Begun, and the track on its way too. */
async function begun() {
  const opening = useOpening();
  opening.begin('j');
  await opening.takeJob('j');
  await Promise.resolve();
  return opening;
}

it('a job and its track are asked for once each, and taken once', async () => {
  const opening = await begun();
  expect(await opening.takeTrack('a')).toEqual({ id: 'a', edit: 3 });
  expect(asked).toEqual(['/api/jobs/j', '/api/tracks/a']);
  expect([opening.takeJob('j'), opening.takeTrack('a')]).toEqual([null, null]);
});

it('what was asked for one opening is no answer for a later one', async () => {
  const opening = await begun();
  expect(opening.takeTrack('another')).toBeNull();
  expect(opening.takeTrack('a')).toBeNull();
});

import '../../globals-for-tests.ts';
import { createPinia, setActivePinia } from 'pinia';
import { nextTick } from 'vue';
import { usePreferences } from './preferences.ts';

const place = 'fenwix-preferences';
const listeners: ((event: { key: string }) => void)[] = [];
/** A window of its own, on the storage they share. */
function openWindow(): ReturnType<typeof usePreferences> {
  globalThis.addEventListener = ((_: string, listener: (event: { key: string }) => void) =>
    listeners.push(listener)) as never;
  setActivePinia(createPinia());
  return usePreferences();
}
/** What the browser tells the other windows. */
const tellOthers = (but: number): void =>
  listeners.forEach((listener, i) => {
    if (i !== but) listener({ key: place });
  });
const stored = () => JSON.parse(localStorage.getItem(place) ?? '{}') as Record<string, unknown>;
beforeEach(() => {
  listeners.length = 0;
  localStorage.removeItem(place);
});

it('a window that changes one preference leaves those that another has changed', async () => {
  const [one, other] = [openWindow(), openWindow()];
  one.theme = 'dark';
  await nextTick();
  // The other has not heard of it yet.
  other.step = 5000;
  await nextTick();
  expect(stored()).toEqual({ theme: 'dark', step: 5000 });
  expect(openWindow()).toMatchObject({ theme: 'dark', step: 5000 });
});

it('a change is heard in other windows at once', async () => {
  const [one, other] = [openWindow(), openWindow()];
  one.snaps = { ...one.snaps, words: false };
  one.keys = { play: ['F9'] };
  await nextTick();
  tellOthers(0);
  expect(other.snaps.words).toBe(false);
  expect(other.keys).toEqual({ play: ['F9'] });
  await nextTick();
  expect(stored()).toEqual({ snaps: one.snaps, keys: { play: ['F9'] } });
});

it('what is written down and can be no preference is passed over, the rest is taken', () => {
  localStorage.setItem(
    place,
    JSON.stringify({
      theme: 'green',
      step: 'far',
      doubtBelow: 7,
      monitorWidth: 300,
      snaps: { words: false, frames: 'no' },
      keys: { play: ['F9'], mark: 3 },
    }),
  );
  const read = openWindow();
  expect(read).toMatchObject({ theme: 'system', step: 2000, doubtBelow: 0.25, monitorWidth: 300 });
  expect(read.snaps).toMatchObject({ words: false, speech: true, frames: true });
  expect(read.keys).toEqual({ play: ['F9'] });
  localStorage.setItem(place, 'not JSON');
  expect(openWindow().theme).toBe('system');
});

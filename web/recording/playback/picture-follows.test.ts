import '../../globals-for-tests.ts';
import { jest } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { nextTick } from 'vue';
import { caption } from '../../../core/model/caption.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { restsAfter, usePictureFollows } from './picture-follows.ts';
import { usePlayback } from './playback.ts';

const at = (id: string, start: number) => caption({ id, start, end: start + 1000, text: id });

/** A page with three captions, paused at a moment. */
function page(time: number) {
  setActivePinia(createPinia());
  useTrack().captions = [at('one', 1000), at('two', 5000), { ...at('three', 9000), timing: 'provisional' as const }];
  const playback = usePlayback();
  const media = Object.assign(new EventTarget(), {
    currentTime: time / 1000,
    duration: 60,
    paused: true,
    seeking: false,
  });
  playback.attach(media as unknown as HTMLMediaElement);
  playback.seek(time);
  const cursor = useCursor();
  const follows = usePictureFollows();
  const choose = async (id: string, waits = restsAfter): Promise<void> => {
    cursor.goTo(id, 'chosen');
    await nextTick();
    jest.advanceTimersByTime(waits);
  };
  return { media, playback, follows, choose };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('the picture goes to the caption that is chosen, once the choice rests, and back', async () => {
  const { media, follows, choose } = page(20_000);
  await choose('one', restsAfter - 1);
  expect(media.currentTime).toBe(20);
  await choose('two');
  expect(media.currentTime).toBe(5);
  await choose('one');
  expect(media.currentTime).toBe(1);
  follows.goBack();
  expect(media.currentTime).toBe(20);
  follows.goBack();
  expect(media.currentTime).toBe(20);
});

it('it stays where it is in the caption already, where that is not timed, and where nobody wants it', async () => {
  const { media, choose } = page(5400);
  await choose('two');
  await choose('three');
  expect(media.currentTime).toBe(5.4);
  usePreferences().pictureFollows = false;
  await choose('one');
  expect(media.currentTime).toBe(5.4);
  usePreferences().pictureFollows = true;
});

it('nor where somebody goes elsewhere before the choice rests', async () => {
  const { media, playback, choose } = page(20_000);
  await choose('one', 1);
  playback.seek(30_000);
  jest.advanceTimersByTime(restsAfter);
  expect(media.currentTime).toBe(30);
});

it('and back is where somebody went by hand meanwhile', async () => {
  const { media, playback, follows, choose } = page(20_000);
  await choose('one');
  playback.seek(30_000);
  await choose('two');
  follows.goBack();
  expect(media.currentTime).toBe(30);
});

/** The player without a browser: its clock, stretches, hold and follow, on a media element that does as it is told. */
import '../../globals-for-tests.ts';
import { jest } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { caption } from '../../../core/model/caption.ts';
import { frames } from '../../globals-for-tests.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { goesOnAfter } from './hold.ts';
import { usePlayback } from './playback.ts';

class Media extends EventTarget {
  paused = true;
  duration = 60;
  playbackRate = 1;
  preservesPitch = false;
  private at = 0;
  get currentTime(): number {
    return this.at;
  }
  set currentTime(to: number) {
    this.at = to;
    this.dispatchEvent(new Event('seeking'));
    this.dispatchEvent(new Event('seeked'));
  }
  play(): Promise<void> {
    this.paused = false;
    this.dispatchEvent(new Event('play'));
    return Promise.resolve();
  }
  pause(): void {
    if (this.paused) return;
    this.paused = true;
    this.dispatchEvent(new Event('pause'));
  }
  /** The sound goes on to a moment, in seconds, and a frame is drawn. */
  goTo(seconds: number): void {
    this.at = seconds;
    frames.run();
  }
}

const said = [
  caption({
    id: 'a',
    start: 1000,
    end: 3000,
    text: 'the gate is shut',
    words: [[4, 8, 1500, 2000, 1, 'recogniser', 'gate']],
  }),
  caption({ id: 'b', start: 4000, end: 6000, text: 'the lantern is read' }),
];

function opened() {
  setActivePinia(createPinia());
  const track = useTrack();
  track.captions = said;
  const media = new Media();
  const playback = usePlayback();
  playback.attach(media as unknown as HTMLMediaElement);
  media.dispatchEvent(new Event('durationchange'));
  const preferences = usePreferences();
  preferences.holdWhileTyping = true;
  return { media, playback, cursor: useCursor(), preferences };
}

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

it('the cursor caption goes along while playing, stays a moment in a pause, and is unlinked by typing', () => {
  const { media, playback, cursor, preferences } = opened();
  preferences.holdWhileTyping = false;
  playback.play();
  media.goTo(1.2);
  expect([playback.time, cursor.caption?.id]).toEqual([1200, 'a']);
  media.goTo(4.1);
  expect(cursor.caption?.id).toBe('b');
  playback.typed();
  media.goTo(1.2);
  expect([cursor.follow, cursor.caption?.id, media.paused]).toEqual([false, 'b', false]);
});

it('a replay stops after the caption; a loop begins again until it is asked for once more', () => {
  const { media, playback, cursor } = opened();
  cursor.enter('a');
  playback.replay(0, 0);
  expect(media.currentTime).toBe(1);
  media.goTo(3.1);
  expect(media.paused).toBe(false);
  media.goTo(3.2);
  expect(media.paused).toBe(true);
  playback.loop();
  media.goTo(3.3);
  expect([media.currentTime, media.paused]).toEqual([1, false]);
  playback.loop();
  expect(media.paused).toBe(true);
});

it('typing holds it, and it goes on from the word it was in a moment after the last key', () => {
  const { media, playback } = opened();
  playback.play();
  media.goTo(1.8);
  playback.typed();
  expect(media.paused).toBe(true);
  jest.advanceTimersByTime(goesOnAfter - 1);
  playback.typed();
  jest.advanceTimersByTime(goesOnAfter - 1);
  expect(media.paused).toBe(true);
  jest.advanceTimersByTime(1);
  expect([media.paused, media.currentTime]).toEqual([false, 1.5]);
});

it('held for somebody to type it waits for the first key; play and pause take it back', () => {
  const { media, playback } = opened();
  playback.play();
  playback.holdForTyping();
  jest.advanceTimersByTime(10 * goesOnAfter);
  expect([media.paused, playback.along]).toEqual([true, true]);
  playback.typed();
  jest.advanceTimersByTime(goesOnAfter);
  expect(media.paused).toBe(false);
  playback.typed();
  playback.toggle();
  jest.advanceTimersByTime(10 * goesOnAfter);
  expect([media.paused, playback.along]).toEqual([true, false]);
});

it('a word that is heard is ended by typing for good', () => {
  const { media, playback } = opened();
  playback.hear(1500, 2000);
  playback.typed();
  jest.advanceTimersByTime(10 * goesOnAfter);
  expect(media.paused).toBe(true);
});

it('steps and seeks stay inside the recording, and speeds inside what there is', () => {
  const { media, playback, preferences } = opened();
  preferences.step = 2000;
  playback.step(-1);
  expect(media.currentTime).toBe(0);
  playback.seek(1e9);
  expect(media.currentTime).toBe(60);
  for (let i = 0; i < 9; i++) playback.faster(1);
  expect([playback.rate, media.playbackRate, media.preservesPitch]).toEqual([2, 2, true]);
  for (let i = 0; i < 9; i++) playback.faster(-1);
  expect(playback.rate).toBe(0.5);
});

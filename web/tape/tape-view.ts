/** Which part of the recording the tape shows, kept while other stages are looked at. */
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { linesOf, type Caption } from '../../core/track/caption.ts';
import { usePlayback } from '../playback/playback.ts';
import { usePlace } from '../stores/place.ts';
import { useWholeLength } from '../playback/whole-length.ts';

/** The least on the page, in ms: about ten pictures. */
const least = 400;
/** One step closer or further away shows so much less or more. */
const zoomStep = 1.5;
/** The playhead stands here while the tape follows it, as a share of the page from its top. */
const playheadAt = 1 / 3;

/** Px that a line of text, and the edge of a block, need. */
export const [lineRoom, edgeRoom] = [24, 8];

export const useTapeView = defineStore('tape-view', () => {
  /** The time at the top of the page, in ms; before the beginning where that has to stand lower. */
  const from = ref(-1000);
  /** How much is on the page, in ms. */
  const span = ref(10_000);
  /** Of the page, in px. */
  const height = ref(600);

  const place = usePlace();
  const playback = usePlayback();
  const length = useWholeLength();
  const perMs = computed(() => height.value / span.value);
  const until = computed(() => from.value + span.value);
  const yOf = (ms: number): number => (ms - from.value) * perMs.value;
  const timeAt = (y: number): number => from.value + y / perMs.value;

  function scrollTo(ms: number): void {
    // The first and the last moment can be brought to where the playhead stands.
    const [first, last] = [-span.value * playheadAt, length.value - span.value * playheadAt];
    from.value = Math.max(first, Math.min(last, ms));
  }
  /** Zooms so that a moment stays where it is on the page. @param factor more on the page where it is over 1 */
  function zoom(factor: number, about: number): void {
    const to = Math.max(least, Math.min(length.value * 1.1, span.value * factor));
    const top = about - ((about - from.value) * to) / span.value;
    span.value = to;
    scrollTo(top);
  }
  const closer = (about: number): void => zoom(1 / zoomStep, about);
  const further = (about: number): void => zoom(zoomStep, about);
  /** Brings a stretch into sight, moving no more than that needs. */
  function show(start: number, end: number): void {
    const margin = span.value * 0.08;
    if (start - margin < from.value) scrollTo(start - margin);
    else if (end + margin > until.value) scrollTo(Math.min(start - margin, end + margin - span.value));
  }
  /** Goes along with the playhead; turning a page at a time where motion is not wanted. */
  function follow(ms: number, inPages: boolean): void {
    if (!inPages) scrollTo(ms - span.value * playheadAt);
    else if (ms < from.value || ms > from.value + span.value * 0.9) scrollTo(ms - span.value * 0.08);
  }
  /** The scale at which every caption on the page has room for its text, about a moment. */
  function readable(captions: readonly Caption[], about: number): void {
    const seen = captions.filter((c) => c.timing === 'set' && c.end > from.value && c.start < until.value);
    const needed = seen.map((c) => (linesOf(c).length * lineRoom + edgeRoom) / Math.max(1, c.end - c.start));
    if (needed.length > 0) zoom(perMs.value / Math.max(...needed), about);
  }
  /** Back to the playhead, and along with it while it plays. */
  function toPlayhead(): void {
    place.follow = true;
    follow(playback.time, false);
  }
  return {
    readable,
    toPlayhead,
    from,
    span,
    height,
    length,
    perMs,
    until,
    yOf,
    timeAt,
    scrollTo,
    zoom,
    closer,
    further,
    show,
    follow,
  };
});

/** Which part of the recording the tape shows, kept while other stages are looked at. */
import { max } from 'd3-array';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { Stretch } from '../../../core/audio/regions.ts';
import { foldedScale, silencesIn } from '../../../core/timing/drag/folds.ts';
import { linesOf, type Caption } from '../../../core/model/caption.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useWholeLength } from '../../recording/playback/whole-length.ts';

/** On the page at first, in ms. */
export const usualSpan = 10_000;
/** The least on the page, in ms: about ten pictures. */
const least = 400;
/** One step closer or further away shows so much less or more. */
const zoomStep = 1.5;
/** The playhead stands here while the tape follows it, as a share of the page from its top. */
const playheadAt = 1 / 3;

/** Px of a silence that is folded. */
export const foldRoom = 26;

/** Px that a line of text, and the edge of a block, need. */
export const [lineRoom, edgeRoom] = [24, 8];

export const useTapeView = defineStore('tape-view', () => {
  /** The time at the top of the page, in ms; before the beginning where that has to stand lower. */
  const from = ref(-1000);
  /** How much is on the page, in ms. */
  const span = ref(usualSpan);
  /** Of the page, in px. */
  const height = ref(600);

  const cursor = useCursor();
  const playback = usePlayback();
  const track = useTrack();
  const sound = useSound();
  const preferences = usePreferences();
  const length = useWholeLength();
  const perMs = computed(() => height.value / span.value);

  /** Folds that somebody opened, by where they begin. */
  const opened = ref<ReadonlySet<number>>(new Set());
  /** Long silences, drawn short where that is wanted; what is said has to be known for that. */
  const folds = computed<readonly Stretch[]>(() =>
    preferences.foldsSilence && sound.regions
      ? silencesIn([...track.timed, ...sound.regions.speech], length.value).filter((s) => !opened.value.has(s.start))
      : [],
  );
  const openFold = ({ start }: Stretch): void => void (opened.value = new Set([...opened.value, start]));
  /** All that were opened are folded again. */
  const foldAll = (): void => void (opened.value = new Set());
  const scale = computed(() => foldedScale(folds.value, foldRoom / perMs.value));

  const top = computed(() => scale.value.place(from.value));
  /** The time at the foot of the page, in ms. */
  const until = computed(() => scale.value.time(top.value + span.value));
  const yOf = (ms: number): number => (scale.value.place(ms) - top.value) * perMs.value;
  const timeAt = (y: number): number => scale.value.time(top.value + y / perMs.value);

  function scrollTo(ms: number): void {
    // The first and the last moment can be brought to where the playhead stands.
    const first = -span.value * playheadAt;
    const last = scale.value.time(scale.value.place(length.value) - span.value * playheadAt);
    from.value = Math.max(first, Math.min(last, ms));
  }
  /** @param pages so many of them further down */
  const turn = (pages: number): void => scrollTo(scale.value.time(top.value + pages * span.value));
  /** Brings a moment so far down the page. @param share of the page, from its top */
  const put = (ms: number, share: number): void =>
    scrollTo(scale.value.time(scale.value.place(ms) - share * span.value));
  /** Zooms so that a moment stays where it is on the page. @param factor more on the page where it is over 1 */
  function zoom(factor: number, about: number): void {
    const share = yOf(about) / height.value;
    span.value = Math.max(least, Math.min(length.value * 1.1, span.value * factor));
    put(about, share);
  }
  const closer = (about: number): void => zoom(1 / zoomStep, about);
  const further = (about: number): void => zoom(zoomStep, about);
  /** Brings a stretch into sight, moving no more than that needs. */
  function show(start: number, end: number): void {
    const { place: at, time } = scale.value;
    const margin = span.value * 0.08;
    if (at(start) - margin < top.value) put(start, 0.08);
    else if (at(end) + margin > top.value + span.value)
      scrollTo(time(Math.min(at(start) - margin, at(end) + margin - span.value)));
  }
  /** Goes along with the playhead; turning a page at a time where motion is not wanted. */
  function follow(ms: number, inPages: boolean): void {
    const y = yOf(ms) / height.value;
    if (!inPages) put(ms, playheadAt);
    else if (y < 0 || y > 0.9) put(ms, 0.08);
  }
  /** The scale at which every caption on the page has room for its text, about a moment. */
  function readable(captions: readonly Caption[], about: number): void {
    const seen = captions.filter((c) => c.timing === 'set' && c.end > from.value && c.start < until.value);
    const needed = seen.map((c) => (linesOf(c).length * lineRoom + edgeRoom) / Math.max(1, c.end - c.start));
    if (needed.length > 0) zoom(perMs.value / (max(needed) ?? 1), about);
  }
  /** Back to the playhead, and along with it while it plays. */
  function toPlayhead(): void {
    cursor.follow = true;
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
    turn,
    folds,
    openFold,
    foldAll,
  };
});

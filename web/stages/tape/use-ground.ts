/** What is painted under the captions of the tape, again whenever something of it has changed. */
import { computed, onBeforeUnmount, onMounted, watch, type Ref } from 'vue';
import { mustGo } from '../../../core/rules/findings.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { useNextFrame } from '../../ui/idle.ts';
import { useStretch } from '../../recording/about/stretch.ts';
import { useRetime } from '../../move-times/bar/retime.ts';
import { useDraftWords } from '../../data/tracks/draft-words.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useDrawn } from './drawn.ts';
import { useFineSound } from './fine-sound.ts';
import { paintTape, type TapePicture } from './paint.ts';
import { saidWords } from './said-words.ts';
import { useTapeView } from './tape-view.ts';

/** Always the same, so that nothing is painted again while a block is dragged. */
const noBars: TapePicture['bars'] = [];
/** Px of a second from which on words have room at their times. */
const wordRoom = 60;

/**
 * @param tape whose size counts
 * @param ground where it is painted
 * @param shown the captions on the page, as bars where there are too many for blocks
 */
export function useGround(
  tape: Readonly<Ref<HTMLElement | null>>,
  ground: Readonly<Ref<HTMLCanvasElement | null>>,
  {
    shown,
    asBars,
  }: {
    readonly shown: Readonly<Ref<readonly { readonly caption: Caption }[]>>;
    readonly asBars: Readonly<Ref<boolean>>;
  },
): void {
  const job = useJob();
  const track = useTrack();
  const times = useTimes();
  const findings = useFindings();
  const preferences = usePreferences();
  const sound = useSound();
  const view = useTapeView();
  const retime = useRetime();
  const part = useStretch();
  const drawn = useDrawn();
  const draft = useDraftWords();
  const fine = useFineSound();

  const wordsOf = (of: readonly Caption[]) =>
    view.perMs * 1000 >= wordRoom ? saidWords(of, view.from, view.until) : [];
  const words = computed(() => (preferences.showsWords ? wordsOf(track.captions) : []));
  const draftWords = computed(() => (preferences.showsDraft ? wordsOf(draft.captions) : []));
  /** Where captions on the page were, that are tried elsewhere. */
  const ghosts = computed(() => {
    const moved = new Set(retime.side === 'after' ? retime.changes.map((c) => c.id) : []);
    if (moved.size === 0 || asBars.value) return [];
    return track.captions.filter((c) => moved.has(c.id) && c.end > view.from && c.start < view.until);
  });

  const bars = computed(() =>
    asBars.value ? shown.value.map(({ caption }) => ({ ...caption, alarm: mustGo(findings.of(caption.id)) })) : noBars,
  );

  let width = 0;
  const draw = useNextFrame(() => {
    if (!ground.value || !job.job || width === 0) return;
    paintTape(ground.value, {
      width,
      height: view.height,
      from: view.from,
      until: view.until,
      perMs: view.perMs,
      yOf: view.yOf,
      timeAt: view.timeAt,
      folds: view.folds,
      length: view.length,
      rate: job.job.rate,
      peaks: sound.peaks,
      speech: sound.regions?.speech ?? null,
      fine: fine.value,
      inFrames: times.counted !== null,
      stretch: part.shown,
      drawn: drawn.stretch,
      words: words.value,
      draftWords: draftWords.value,
      ghosts: ghosts.value,
      bars: bars.value,
    });
  });
  const watcher = new ResizeObserver(([entry]) => {
    if (!entry) return;
    width = entry.contentRect.width;
    view.height = Math.max(100, entry.contentRect.height);
    draw();
  });
  onMounted(() => {
    if (tape.value) watcher.observe(tape.value);
    void document.fonts.ready.then(draw);
  });
  onBeforeUnmount(() => watcher.disconnect());
  watch(
    [
      () => view.from,
      () => view.span,
      () => view.height,
      () => view.folds,
      bars,
      () => sound.peaks,
      () => sound.regions,
      fine,
      () => part.shown,
      () => drawn.stretch,
      words,
      draftWords,
      ghosts,
      () => times.counted,
      () => preferences.dark,
    ],
    draw,
  );
}

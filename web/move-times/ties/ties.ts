/** Ties: captions and the moments they belong at, set at the playhead, typed, or by ear. */
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { halfwayPlace, placesToTie } from '../../../core/timing/whole/by-ear.ts';
import { orderedTies, rateMistake, residuals } from '../../../core/timing/whole/line.ts';
import { rateText } from '../../../core/timing/clock/frames.ts';
import { readTime } from '../../../core/timing/clock/read-time.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { Piece } from '../../../core/model/pieces.ts';
import { useHearJudged } from '../../recording/playback/hear-judged.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import type { Plan } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';

/** So many captions are tied by ear, each heard from so much before it, in ms. */
const [five, lead] = [5, 2000];

/** A caption and where it belongs. */
interface CaptionTie {
  readonly id: string;
  readonly at: number;
  readonly to: number;
}

export const useTies = defineStore('retime-ties', () => {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const playback = usePlayback();
  const hearFrom = useHearJudged();

  /** In order. */
  const ties = shallowRef<readonly CaptionTie[]>([]);
  const pieces = computed(() => ties.value.map(({ at, to }): Piece => [at, to]));
  const plan = computed<Plan>(() => {
    if (ties.value.length === 0) return null;
    const ordered = orderedTies(pieces.value);
    return 'fault' in ordered ? { fault: ordered.fault } : { pieces: ordered };
  });
  /** How far each tie is from one line through all, in ms. */
  const off = computed(() => residuals(pieces.value));
  /** The frame rates that the ties look like having been mistaken for one another. */
  const mistake = computed(() => {
    const found = plan.value && 'pieces' in plan.value ? rateMistake(plan.value.pieces) : null;
    return found && { from: rateText(found.from), to: rateText(found.to) };
  });

  /** Captions that are still to be listened to, the one that is now the first. */
  const toHear = shallowRef<readonly string[]>([]);
  function hearNext(): void {
    const [id] = toHear.value;
    const next = track.captions.find((c) => c.id === id);
    if (!next) {
      playback.pause();
      return;
    }
    cursor.goTo(next.id, 'chosen');
    hearFrom(next.start, lead);
  }
  /** Five captions are played in turn, each to be tied at its first word. */
  function hearFive(): void {
    toHear.value = placesToTie(track.captions, five).map((c) => c.id);
    hearNext();
  }
  /** Where ties disagree, what is halfway between them tells more. */
  const halfway = computed(() => halfwayPlace(track.captions, pieces.value));
  function hearHalfway(): void {
    toHear.value = halfway.value ? [halfway.value.id] : [];
    hearNext();
  }
  /** This one is not tied; the next is played. */
  function skip(): void {
    toHear.value = toHear.value.slice(1);
    hearNext();
  }
  /** A caption belongs where the playhead is, less the reaction while that moves. */
  function tieHere({ id, start: at }: Caption): void {
    // No moment before the beginning is one a caption could belong at.
    const to = Math.max(0, Math.round(playback.time - playback.reaction()));
    ties.value = [...ties.value.filter((t) => t.id !== id), { id, at, to }].sort((a, b) => a.at - b.at);
    if (toHear.value[0] === id) skip();
  }
  /** Where the caption of a tie belongs, as it is typed. @returns what is wrong with that, as a sentence */
  function retie(id: string, text: string): string | null {
    const tie = ties.value.find((t) => t.id === id);
    const read = tie && job.job ? readTime(text, tie.to, job.job.rate) : null;
    if (!read || 'fault' in read) return read?.fault ?? null;
    ties.value = ties.value.map((t) => (t.id === id ? { ...t, to: read.ms } : t));
    return null;
  }
  const untie = (id: string): void => void (ties.value = ties.value.filter((t) => t.id !== id));
  function clear(): void {
    if (toHear.value.length > 0) playback.pause();
    [toHear.value, ties.value] = [[], []];
  }
  const tool: TimesTool = { begins: 'all', plan: () => plan.value, clear };
  return { ties, plan, off, mistake, toHear, hearFive, halfway, hearHalfway, skip, tieHere, retie, untie, tool };
});

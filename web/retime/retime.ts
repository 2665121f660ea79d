/** Moving the times of many captions: tried first, seen and heard wherever captions are shown, and kept as one step. */
import { defineStore } from 'pinia';
import { computed, nextTick, ref, shallowRef, watch } from 'vue';
import { shifted, shiftedTimes } from '../../core/operations/several.ts';
import { placesToTie } from '../../core/retime/by-ear.ts';
import { followed, followEdit, type Followed, type Segment } from '../../core/retime/follow.ts';
import { orderedTies, rateChange, rateMistake, residuals } from '../../core/retime/line.ts';
import { parseRate, rateText, type FrameRate } from '../../core/time/frames.ts';
import { readTime } from '../../core/time/read-time.ts';
import type { Timed } from '../../core/timing/move.ts';
import { captionAt, type Caption } from '../../core/track/caption.ts';
import type { Edit } from '../../core/track/edits.ts';
import { along, type Piece } from '../../core/track/pieces.ts';
import { retimingAlong, withMoved } from '../captions/retiming.ts';
import { useBorrow } from '../borrow/borrow.ts';
import { rangeOf, type Scope } from '../captions/scope.ts';
import { usePlacing } from '../placing/placing.ts';
import { usePlayback } from '../playback/playback.ts';
import { useJob } from '../stores/job.ts';
import { useMessages } from '../stores/messages.ts';
import { usePlace } from '../stores/place.ts';
import { useSelection } from '../stores/selection.ts';
import { useTrack } from '../stores/track.ts';
import { useCuts } from './cuts.ts';

/** So much is heard before the first caption that is moved, in ms. */
const before = 1500;
/** So many captions are tied by ear, each heard from so much before it, in ms. */
const [five, lead] = [5, 2000];

export type Tool = 'shift' | 'rate' | 'ties' | 'cut' | 'borrow' | 'sound';
/** A caption and where it belongs. */
interface CaptionTie {
  readonly id: string;
  readonly at: number;
  readonly to: number;
}
/** How captions would be moved, or why they cannot be; null where nothing is asked for yet. */
type Plan =
  | { readonly by: number }
  | { readonly pieces: readonly Piece[] }
  /** These, and the times of their words along the pieces. */
  | { readonly taken: readonly Timed[]; readonly pieces: readonly Piece[] }
  | { readonly times: readonly Timed[]; readonly edit: Edit | null }
  /** The track as it follows a recording that was cut again. */
  | { readonly follows: Followed; readonly segments: readonly Segment[] }
  | { readonly fault: string }
  | null;

const counted = (many: number): string => (many === 1 ? 'One caption' : `${String(many)} captions`);

/** The new times of those that have others. */
function movedBetween(before: readonly Caption[], after: readonly Caption[]): readonly Timed[] {
  const was = new Map(before.map((c) => [c.id, c]));
  return after.filter((c) => was.get(c.id)?.start !== c.start || was.get(c.id)?.end !== c.end);
}

export const useRetime = defineStore('retime', () => {
  const job = useJob();
  const track = useTrack();
  const place = usePlace();
  const selection = useSelection();
  const playback = usePlayback();
  const messages = useMessages();
  const placing = usePlacing();
  const borrow = useBorrow();
  const cuts = useCuts();

  const isOpen = ref(false);
  const tool = ref<Tool>('shift');
  const scope = ref<Scope>('on');
  const typed = ref('');
  /** Frame rates, as people say them: the one the times were counted by, and the one of the recording. */
  const rates = ref({ from: '25', to: '25' });
  const ties = shallowRef<readonly CaptionTie[]>([]);
  // Ties, rates and what is heard are about all of a track, wherever the cursor goes meanwhile.
  watch(tool, (now) => {
    if (now !== 'shift' && scope.value === 'on') scope.value = 'all';
  });
  /** Which times are shown while it is tried. */
  const side = ref<'before' | 'after'>('after');

  const moved = computed<readonly Caption[]>(() => {
    if (!isOpen.value) return [];
    const position = { here: place.index, selected: selection.places, captions: track.captions.length };
    const { from, to } = rangeOf(scope.value, position);
    return track.captions.slice(from, to);
  });
  function shiftPlan(rate: FrameRate): Plan {
    const text = typed.value.trim().replace('−', '-');
    if (text === '' || text === '-' || text === '+') return null;
    const read = readTime(text.replace(/^[-+]/, ''), 0, rate);
    if ('fault' in read) return { fault: 'Write seconds as in 0.4, or −1.2 for earlier; pictures as in 2f.' };
    return { by: text.startsWith('-') ? -read.ms : read.ms };
  }
  function tiePlan(): Plan {
    if (ties.value.length === 0) return null;
    const ordered = orderedTies(ties.value.map(({ at, to }) => [at, to]));
    return 'fault' in ordered ? { fault: ordered.fault } : { pieces: ordered };
  }
  function ratePlan(): Plan {
    const [from, to] = [parseRate(rates.value.from), parseRate(rates.value.to)];
    return from && to && rates.value.from !== rates.value.to ? { pieces: rateChange(from, to) } : null;
  }
  function borrowPlan(): Plan {
    const { plan: line } = borrow;
    if (!line || 'fault' in line || borrow.way === 'ties') return line;
    const inScope = new Set(moved.value.map((c) => c.id));
    return { taken: borrow.times.filter((t) => inScope.has(t.id)), pieces: line.pieces };
  }
  function cutPlan(): Plan {
    if (cuts.fault !== null) return { fault: cuts.fault };
    const { segments } = cuts;
    return segments && { follows: followed(track.captions, segments, () => crypto.randomUUID()), segments };
  }
  const plan = computed<Plan>(() => {
    if (!isOpen.value || !job.job) return null;
    if (tool.value === 'shift') return shiftPlan(job.job.rate);
    if (tool.value === 'sound') return placing.found && { times: placing.times, edit: placing.edit };
    if (tool.value === 'borrow') return borrowPlan();
    if (tool.value === 'cut') return cutPlan();
    return tool.value === 'rate' ? ratePlan() : tiePlan();
  });
  const changes = computed<readonly Timed[]>(() => {
    const now = plan.value;
    if (!now || 'fault' in now) return [];
    if ('by' in now) return shiftedTimes(moved.value, now.by);
    if ('times' in now) return now.times;
    if ('taken' in now) return now.taken;
    if ('follows' in now) return movedBetween(track.captions, now.follows.captions);
    return moved.value.map(({ id, start, end }) => {
      const first = along(now.pieces, start);
      return { id, start: first, end: Math.max(first + 1, along(now.pieces, end)) };
    });
  });
  /** Whether there is anything to be done. */
  const canApply = computed(
    () =>
      changes.value.length > 0 ||
      (plan.value !== null && 'follows' in plan.value && plan.value.follows.gone.length > 0),
  );
  /** The captions as they are to be seen everywhere: as they would be while that is tried. */
  const captions = computed(() => {
    if (side.value === 'before') return track.captions;
    return plan.value && 'follows' in plan.value
      ? plan.value.follows.captions
      : withMoved(track.captions, changes.value);
  });
  /** How far each tie is from one line through all, in ms. */
  const off = computed(() => residuals(ties.value.map(({ at, to }) => [at, to])));
  /** The frame rates that the ties look like having been mistaken for one another. */
  const mistake = computed(() => {
    const found = plan.value && 'pieces' in plan.value && tool.value === 'ties' ? rateMistake(plan.value.pieces) : null;
    return found && { from: rateText(found.from), to: rateText(found.to) };
  });

  function open(which: Tool): void {
    tool.value = which;
    if (isOpen.value) return;
    scope.value = selection.places ? 'selected' : which === 'shift' ? 'on' : 'all';
    const rate = job.job ? rateText(job.job.rate) : '25';
    [typed.value, side.value, ties.value, rates.value] = ['', 'after', [], { from: rate, to: rate }];
    isOpen.value = true;
    void nextTick(() => document.querySelector<HTMLElement>('#shift-by, #cut-list')?.focus());
  }
  function close(): void {
    if (toHear.value.length > 0) playback.pause();
    toHear.value = [];
    placing.clear();
    borrow.clear();
    cuts.clear();
    isOpen.value = false;
  }
  /** Captions that are still to be listened to, the one that is now the first. */
  const toHear = shallowRef<readonly string[]>([]);
  function hearNext(): void {
    const [id] = toHear.value;
    const next = track.captions.find((c) => c.id === id);
    if (!next) {
      playback.pause();
      return;
    }
    place.goTo(next.id, 'chosen');
    playback.seek(Math.max(0, next.start - lead));
    playback.play();
    // The cursor stays with the caption whose first word is waited for.
    place.follow = false;
  }
  /** Five captions are played in turn, each to be tied at its first word. */
  function byEar(): void {
    open('ties');
    toHear.value = placesToTie(track.captions, five).map((c) => c.id);
    hearNext();
  }
  /** This one is not tied; the next is played. */
  function skip(): void {
    toHear.value = toHear.value.slice(1);
    hearNext();
  }
  /** The cursor caption belongs where the playhead is, less the reaction while that moves. */
  function tieHere(): void {
    const here = place.caption;
    if (!here || !track.editable) return;
    // No moment before the beginning is one a caption could belong at.
    const to = Math.max(0, Math.round(playback.time - playback.reaction()));
    open('ties');
    const { id, start: at } = here;
    ties.value = [...ties.value.filter((t) => t.id !== id), { id, at, to }].sort((a, b) => a.at - b.at);
    if (toHear.value[0] === id) skip();
  }
  const untie = (id: string): void => void (ties.value = ties.value.filter((t) => t.id !== id));

  function editOf(now: NonNullable<Plan>): Edit | null {
    if ('follows' in now) return followEdit(track.captions, now.follows.captions, now.segments);
    if ('fault' in now || changes.value.length === 0) return null;
    if ('by' in now) return shifted(moved.value, now.by);
    if ('times' in now) return now.edit;
    return retimingAlong(moved.value, changes.value, now.pieces);
  }
  function apply(): void {
    const edit = plan.value && track.editable ? editOf(plan.value) : null;
    const many = changes.value.length;
    const gone = plan.value && 'follows' in plan.value ? plan.value.follows.gone.length : 0;
    if (!edit) return;
    close();
    track.change(edit);
    const went = gone > 0 ? `, ${String(gone)} gone with what was cut` : '';
    messages.remark = `${counted(many)} moved${went}; one step to undo.`;
  }
  /** Plays from before the first of them, with the times that are shown. */
  function hear(): void {
    const first = captions.value.find((c) => c.id === moved.value[0]?.id);
    if (!first) return;
    playback.seek(Math.max(0, first.start - before));
    playback.play();
  }
  const swap = (): void => void (side.value = side.value === 'after' ? 'before' : 'after');
  /** The captions on screen at a moment, with the times that are shown. */
  const onScreen = (at: number): readonly Caption[] => {
    const last = captionAt(captions.value, at);
    return captions.value.slice(Math.max(0, last - 3), last + 1).filter((c) => c.end > at);
  };
  return {
    isOpen,
    tool,
    scope,
    typed,
    rates,
    ties,
    side,
    moved,
    plan,
    changes,
    canApply,
    captions,
    off,
    mistake,
    open,
    close,
    toHear,
    byEar,
    skip,
    tieHere,
    untie,
    apply,
    hear,
    swap,
    onScreen,
  };
});

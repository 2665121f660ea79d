/** Moving the times of many captions: tried first, seen and heard wherever captions are shown, and kept as one step. */
import { defineStore } from 'pinia';
import { computed, nextTick, ref, shallowRef, watch } from 'vue';
import { followed } from '../../../core/timing/whole/follow.ts';
import type { SameMove } from '../../../core/timing/whole/same-move.ts';
import { rateChange, shiftBy } from '../../../core/timing/whole/line.ts';
import { parseRate, rateText, type FrameRate } from '../../../core/timing/clock/frames.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import { readTime } from '../../../core/timing/clock/read-time.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { apply as applyEdit } from '../../../core/model/apply.ts';
import { withMoved } from '../../desk/captions/retiming.ts';
import { useBorrow } from '../borrow/borrow.ts';
import { rangeOf, type Scope } from '../../desk/captions/scope.ts';
import { addTrack, copyOf, type MadeTrack } from '../../import/add-track.ts';
import { usePlacedReflow } from '../listen-and-place/placed-reflow.ts';
import { usePlacing } from '../listen-and-place/placing.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useCuts } from '../cuts/cuts.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages, type Offer } from '../../data/messages/messages.ts';
import { usePlace } from '../../data/tracks/place.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useTried } from '../../data/tracks/tried.ts';
import { useEdges } from '../edges/edges.ts';
import { useMoves } from './moves.ts';
import { changesOf, counted, editOf, type Plan } from '../plan/plan.ts';
import { useTies } from '../ties/ties.ts';

/** So much is heard before the first caption that is moved, in ms. */
const before = 1500;

export type Tool = 'shift' | 'rate' | 'ties' | 'edges' | 'cut' | 'borrow' | 'sound' | 'same';
/** What was done to one track, to be done to another that shares its times. */
interface Same {
  /** The track it was done to first. */
  readonly of: string;
  readonly plan: SameMove;
}

export const useRetime = defineStore('retime', () => {
  const job = useJob();
  const track = useTrack();
  const place = usePlace();
  const selection = useSelection();
  const playback = usePlayback();
  const messages = useMessages();
  const placing = usePlacing();
  const placedReflow = usePlacedReflow();
  const borrow = useBorrow();
  const cuts = useCuts();
  const edges = useEdges();
  const ties = useTies();
  const moves = useMoves();

  const isOpen = ref(false);
  const tool = ref<Tool>('shift');
  const scope = ref<Scope>('on');
  const typed = ref('');
  /** Frame rates, as people say them: the one the times were counted by, and the one of the recording. */
  const rates = ref({ from: '25', to: '25' });
  // Ties, rates and what is heard are about all of a track, wherever the cursor goes meanwhile.
  watch(tool, (now) => {
    if (now === 'cut' || (now !== 'shift' && scope.value === 'on')) scope.value = 'all';
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
  function ratePlan(): Plan {
    const [from, to] = [parseRate(rates.value.from), parseRate(rates.value.to)];
    return from && to && rates.value.from !== rates.value.to ? { pieces: rateChange(from, to) } : null;
  }
  function borrowPlan(): Plan {
    const { plan: line } = borrow;
    if (!line || 'fault' in line || borrow.way !== 'one for one') return line;
    const inScope = new Set(moved.value.map((c) => c.id));
    return { taken: borrow.times.filter((t) => inScope.has(t.id)), pieces: line.pieces };
  }
  function cutPlan(): Plan {
    if (cuts.fault !== null) return { fault: cuts.fault };
    return cuts.segments && planFor({ segments: cuts.segments }, track.captions);
  }
  function soundPlan(): Plan {
    if (!placing.found) return null;
    const { times, edit } = placing;
    if (!placedReflow.isOn) return { times, edit };
    // While it is being worked out there is nothing to be done yet.
    return placedReflow.laid && { times, edit: placedReflow.laid.edit, captions: placedReflow.laid.captions };
  }
  const same = shallowRef<Same | null>(null);
  const planFor = (what: Same['plan'], captions: readonly Caption[]): NonNullable<Plan> =>
    'pieces' in what
      ? what
      : { follows: followed(captions, what.segments, () => crypto.randomUUID()), segments: what.segments };
  const plan = computed<Plan>(() => {
    if (!isOpen.value || !job.job) return null;
    if (tool.value === 'shift') return shiftPlan(job.job.rate);
    if (tool.value === 'sound') return soundPlan();
    if (tool.value === 'borrow') return borrowPlan();
    if (tool.value === 'edges') return edges.planFor(moved.value, job.job);
    if (tool.value === 'cut') return cutPlan();
    if (tool.value === 'same') return same.value && planFor(same.value.plan, track.captions);
    return tool.value === 'rate' ? ratePlan() : ties.plan;
  });
  const changes = computed(() => changesOf(plan.value, moved.value, track.captions));
  /** How many go with what was cut from the recording. */
  const gone = computed(() => (plan.value && 'follows' in plan.value ? plan.value.follows.gone.length : 0));
  /** How many captions stay where they are while their words get times. */
  const worded = computed(() =>
    tool.value === 'sound' && changes.value.length === 0 && placing.found ? placing.worded.length : 0,
  );
  /** Whether there is anything to be done. */
  const canApply = computed(() => changes.value.length + gone.value + worded.value > 0);
  /** The captions as they are to be seen everywhere: as they would be while that is tried. */
  const captions = computed(() => {
    if (side.value === 'before') return track.captions;
    const now = plan.value;
    if (now && 'follows' in now) return now.follows.captions;
    return (now && 'captions' in now ? now.captions : null) ?? withMoved(track.captions, changes.value);
  });
  useTried().trial = () => captions.value;
  function open(which: Tool): void {
    tool.value = which;
    if (isOpen.value) return;
    scope.value = which === 'cut' ? 'all' : selection.places ? 'selected' : which === 'shift' ? 'on' : 'all';
    const rate = job.job ? rateText(job.job.rate) : '25';
    [typed.value, side.value, rates.value] = ['', 'after', { from: rate, to: rate }];
    ties.clear();
    isOpen.value = true;
    void nextTick(() => document.querySelector<HTMLElement>('#shift-by, #cut-list')?.focus());
  }
  function close(): void {
    ties.clear();
    placing.clear();
    borrow.clear();
    cuts.clear();
    [isOpen.value, same.value] = [false, null];
    if (tool.value === 'same') tool.value = 'shift';
  }
  // Listening that a reload broke off goes on by itself.
  watch(
    () => placing.brokenOff,
    (captions) => {
      if (!captions || isOpen.value) return;
      open('sound');
      void placing.listen(captions);
    },
    { immediate: true },
  );
  // What became of the recording may be asked for where it was replaced.
  watch(
    () => cuts.reading !== null,
    (now) => now && open('cut'),
  );
  /** Five captions are played in turn, each to be tied at its first word. */
  function byEar(): void {
    open('ties');
    ties.hearFive();
  }
  /** The cursor caption belongs where the playhead is. */
  function tieHere(): void {
    if (!place.caption || !track.editable) return;
    open('ties');
    ties.tieHere(place.caption);
  }

  function apply(): void {
    const edit = track.editable ? editOf(plan.value, moved.value, track.captions) : null;
    const [many, lost, words] = [changes.value.length, gone.value, worded.value];
    if (!edit || !plan.value) return;
    const laid = 'captions' in plan.value ? plan.value.captions.length : undefined;
    const others = offersOfSame(plan.value);
    close();
    track.change(edit);
    const went = lost > 0 ? `, ${String(lost)} gone with what was cut` : '';
    const placed = laid === undefined ? '' : ` and the text laid out; ${String(laid)} captions in all`;
    const done =
      words > 0
        ? `The words of ${counted(words).toLowerCase()} have their times`
        : `${counted(many)} moved${went}${placed}`;
    messages.offer(`${done}; one step to undo.`, others);
  }
  /** The copy that is on its way, so that one asked for again after a lost answer is made once. */
  let copy: { readonly of: Plan; readonly made: MadeTrack } | null = null;
  /** The track as it would be, as another track of the job; this one stays as it is. */
  async function applyAsTrack(): Promise<void> {
    const { track: from } = track;
    const edit = editOf(plan.value, moved.value, track.captions);
    const here = job.job;
    if (!edit || !from || !here) return;
    const { captions: after } = applyEdit(track.captions, edit);
    if (copy?.of !== plan.value)
      copy = { of: plan.value, made: copyOf({ ...from, captions: after }, `${from.name.slice(0, 112)}, moved`) };
    const { made } = copy;
    try {
      await addTrack(here.id, made);
      copy = null;
      close();
      await job.refresh();
      messages.offer(`“${made.name}” is now a track of this job; this one stays as it was.`, [
        { title: 'Work on that', run: () => void workOn(made.id) },
      ]);
    } catch (error) {
      messages.notice = `The track was not made: ${sentence(error)}`;
    }
  }
  async function workOn(id: string): Promise<boolean> {
    job.choose(id);
    await track.open(id);
    return track.track?.id === id;
  }
  /** Offers to do the same to the other tracks of the job: to each, seen before it is kept, or to all of them at once. */
  function offersOfSame(now: NonNullable<Plan>): readonly Offer[] {
    const of = track.track?.name ?? '';
    const move = 'by' in now ? { pieces: shiftBy(now.by) } : now;
    const isOfAll = moved.value.length === track.captions.length;
    if (!isOfAll || !('segments' in move || 'pieces' in move) || 'taken' in move) return [];
    const others = (job.job?.tracks ?? []).filter(
      (t) => t.id !== track.track?.id && t.kind !== 'machine' && t.captions > 0,
    );
    const plan = 'segments' in move ? { segments: move.segments } : { pieces: move.pieces };
    const ids = others.map(({ id }) => id);
    const all = { title: `The same for all ${String(ids.length)} others`, run: () => void moves.moveAll(ids, plan) };
    return [
      ...(others.length > 1 ? [all] : []),
      ...others.map(({ id, name }) => ({ title: `The same for ${name}…`, run: () => void again(id, { of, plan }) })),
    ];
  }
  async function again(id: string, move: Same): Promise<void> {
    if (!(await workOn(id))) return;
    [same.value, tool.value, scope.value, side.value, isOpen.value] = [move, 'same', 'all', 'after', true];
  }
  /** Plays from before the first of them, with the times that are shown. */
  function hear(): void {
    const first = captions.value.find((c) => c.id === moved.value[0]?.id);
    if (!first) return;
    playback.seek(Math.max(0, first.start - before));
    playback.play();
  }
  const swap = (): void => void (side.value = side.value === 'after' ? 'before' : 'after');
  return {
    isOpen,
    tool,
    same,
    scope,
    typed,
    rates,
    side,
    moved,
    plan,
    changes,
    gone,
    worded,
    canApply,
    captions,
    open,
    close,
    byEar,
    tieHere,
    apply,
    applyAsTrack,
    hear,
    swap,
  };
});

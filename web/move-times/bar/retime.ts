/** Moving the times of many captions: tried first, seen and heard wherever captions are shown, and kept as one step. */
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import type { SameMove } from '../../../core/timing/whole/same-move.ts';
import { shiftBy } from '../../../core/timing/whole/line.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { apply as applyEdit } from '../../../core/model/apply.ts';
import { withMoved } from '../../desk/captions/retiming.ts';
import { rangeOf, type Scope } from '../../desk/captions/scope.ts';
import { addTrack, copyOf, type MadeTrack } from '../../import/add-track.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages, type Offer } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useTried } from '../../data/tracks/tried.ts';
import { useMoves } from '../same/moves.ts';
import { useSame } from '../same/same.ts';
import { useTies } from '../ties/ties.ts';
import { timesOfPlan, captionsInWords, editOfPlan, type Plan } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';
import { timesTools, type ToolName } from './tools.ts';

/** So much is heard before the first caption that is moved, in ms. */
const before = 1500;

export const useRetime = defineStore('retime', () => {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const selection = useSelection();
  const playback = usePlayback();
  const messages = useMessages();
  const ties = useTies();
  const moves = useMoves();
  const same = useSame();
  const tools = timesTools();

  const isOpen = ref(false);
  const tool = ref<ToolName>('shift');
  const scope = ref<Scope>('on');
  // Most are about all of a track, wherever the cursor goes meanwhile.
  watch(tool, (now) => {
    if (tools[now].wholeOnly || (tools[now].begins === 'all' && scope.value === 'on')) scope.value = 'all';
  });
  /** No other captions than all can be chosen. */
  const isWhole = computed(() => tools[tool.value].wholeOnly === true);
  /** Which times are shown while it is tried. */
  const side = ref<'before' | 'after'>('after');

  const moved = computed<readonly Caption[]>(() => {
    if (!isOpen.value) return [];
    const position = { here: cursor.index, selected: selection.places, captions: track.captions.length };
    const { from, to } = rangeOf(scope.value, position);
    return track.captions.slice(from, to);
  });
  const plan = computed<Plan>(() => (isOpen.value && job.job ? tools[tool.value].plan(moved.value) : null));
  const changes = computed(() => timesOfPlan(plan.value, moved.value, track.captions));
  /** How many go with what was cut from the recording. */
  const gone = computed(() => (plan.value && 'follows' in plan.value ? plan.value.follows.gone.length : 0));
  /** How many captions stay where they are while their words get times. */
  const worded = computed(() => (changes.value.length === 0 ? (tools[tool.value].worded?.() ?? 0) : 0));
  /** Whether the tool has something in place of the stage, and in the monitor. */
  const shows = computed(() => {
    const parts = isOpen.value ? tools[tool.value].shows : undefined;
    return { inStage: parts?.inStage() ?? false, inMonitor: parts?.inMonitor() ?? false };
  });
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
  function open(which: ToolName): void {
    tool.value = which;
    if (isOpen.value) return;
    const { begins, wholeOnly } = tools[which];
    scope.value = wholeOnly ? 'all' : selection.places ? 'selected' : begins;
    side.value = 'after';
    isOpen.value = true;
  }
  function close(): void {
    isOpen.value = false;
    for (const each of Object.values(tools)) each.clear();
    if (tool.value === 'same') tool.value = 'shift';
  }
  for (const [name, { resumes }] of Object.entries(tools) as [ToolName, TimesTool][])
    if (resumes)
      watch(
        resumes.isDue,
        (now) => {
          if (!now || (isOpen.value && !resumes.byHand)) return;
          open(name);
          resumes.go();
        },
        { immediate: true },
      );
  /** The cursor caption belongs where the playhead is. */
  function tieHere(): void {
    if (!cursor.caption || !track.editable) return;
    open('ties');
    ties.tieHere(cursor.caption);
  }

  function apply(): void {
    const edit = track.editable ? editOfPlan(plan.value, moved.value, track.captions) : null;
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
        ? `The words of ${captionsInWords(words).toLowerCase()} have their times`
        : `${captionsInWords(many)} moved${went}${placed}`;
    messages.offer(`${done}; one step to undo.`, others);
  }
  /** The copy that is on its way, so that one asked for again after a lost answer is made once. */
  let copy: { readonly of: Plan; readonly made: MadeTrack } | null = null;
  /** The track as it would be, as another track of the job; this one stays as it is. */
  async function applyAsTrack(): Promise<void> {
    const { track: from } = track;
    const edit = editOfPlan(plan.value, moved.value, track.captions);
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
    const giver = tools[tool.value].gives?.() ?? undefined;
    const others = (job.job?.tracks ?? []).filter(
      ({ id, kind, captions }) => ![track.track?.id, giver].includes(id) && kind !== 'machine' && captions > 0,
    );
    const plan = 'segments' in move ? { segments: move.segments } : { pieces: move.pieces };
    const ids = others.map(({ id }) => id);
    const all = { title: `The same for all ${String(ids.length)} others`, run: () => void moves.moveAll(ids, plan) };
    return [
      ...(others.length > 1 ? [all] : []),
      ...others.map(({ id, name }) => ({ title: `The same for ${name}…`, run: () => void again(id, of, plan) })),
    ];
  }
  async function again(id: string, of: string, move: SameMove): Promise<void> {
    if (!(await workOn(id))) return;
    same.same = { of, move };
    open('same');
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
    scope,
    isWhole,
    shows,
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
    tieHere,
    apply,
    applyAsTrack,
    hear,
    swap,
  };
});

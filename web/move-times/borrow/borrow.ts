/** Times borrowed from another track: which captions of the two are tied, and where the track would be by that. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import { piecesOf, tiesOf, tiesThatGoTogether, type BorrowedTie } from '../../../core/timing/borrow/borrow.ts';
import { oneForOne } from '../../../core/timing/borrow/one-for-one.ts';
import { certain, type Pair } from '../../../core/timing/borrow/pair.ts';
import { straightLine } from '../../../core/timing/borrow/straight.ts';
import { offFromOthers, orderedTies } from '../../../core/timing/whole/line.ts';
import type { Timed } from '../../../core/timing/drag/move.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { along, type Piece } from '../../../core/model/pieces.ts';
import { useTrackWorker } from '../../data/workers/track-client.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useTrack } from '../../data/tracks/track.ts';
import type { Plan } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';

/** The track that gives the times. */
export interface Giving {
  /** Of the track it is; null where it is a file. */
  readonly id: string | null;
  readonly language: string;
  readonly captions: readonly Caption[];
}
type PlanAlong = { readonly pieces: readonly Piece[] } | { readonly fault: string } | null;

/** What is to be done with some captions. @param times of those that take them one for one; null where all go along the ties */
function planFor(along: PlanAlong, times: readonly Timed[] | null, captions: readonly Caption[]): Plan {
  if (!along || 'fault' in along || !times) return along;
  const ids = new Set(captions.map((c) => c.id));
  return { taken: times.filter((t) => ids.has(t.id)), pieces: along.pieces };
}

/** One straight line, every tie, or the times of each caption’s pair. */
export type BorrowWay = 'line' | 'ties' | 'one for one';
/** What becomes of a tie. */
export type TieState = 'by hand' | 'found' | 'weak' | 'beside another' | 'off the line' | 'left out';
export interface TieRow extends BorrowedTie {
  readonly state: TieState;
  /** How far it is from the line, or from where the ties around it would put it, in ms. */
  readonly off: number;
}

/** So much is heard before where a tie leads, in ms: for people who cannot read the other language. */
export const tieLead = 1000;

export const useBorrow = defineStore('borrow', () => {
  const track = useTrack();
  const findings = useFindings();

  const giving = shallowRef<Giving | null>(null);
  const pairs = shallowRef<readonly Pair[]>([]);
  /** The captions that were paired: places in pairs are places in these. */
  const paired = shallowRef<readonly Caption[]>([]);
  const byHand = shallowRef<readonly BorrowedTie[]>([]);
  /** Ids of captions whose found tie is not to be used. */
  const leftOut = shallowRef<ReadonlySet<string>>(new Set());
  const isPairing = ref(false);
  const trouble = ref<string | null>(null);
  /** Whether the columns are shown, or the stage with the new times. */
  const isShown = ref(true);
  /** Captions move along one straight line, or through every tie, or take times one for one where they are paired. */
  const chosen = ref<BorrowWay | null>(null);

  let turn = 0;
  function clear(): void {
    turn++;
    [giving.value, pairs.value, byHand.value, leftOut.value] = [null, [], [], new Set()];
    [isPairing.value, trouble.value, isShown.value, chosen.value] = [false, null, true, null];
  }
  watch(() => track.track?.id, clear);

  /** Pairs the open track with another. */
  async function from(next: Giving): Promise<void> {
    clear();
    const mine = turn;
    giving.value = next;
    const { context } = findings;
    const { captions } = track;
    if (!context || captions.length === 0 || next.captions.length === 0) return;
    isPairing.value = true;
    try {
      const found = await useTrackWorker().ask('pair', { captions, context }, next.captions);
      if (mine === turn) [pairs.value, paired.value] = [found.pairs, captions];
    } catch (error) {
      if (mine === turn) trouble.value = sentence(error);
    } finally {
      if (mine === turn) isPairing.value = false;
    }
  }

  const here = computed(() => new Map(track.captions.map((c) => [c.id, c])));
  /** Ties of captions that are still there, from where these are now. */
  const current = (ties: readonly BorrowedTie[]): readonly BorrowedTie[] =>
    ties.flatMap((tie) => {
      const caption = here.value.get(tie.moved);
      return caption ? [{ ...tie, at: caption.start }] : [];
    });
  const found = computed(() => current(tiesOf(paired.value, giving.value?.captions ?? [], pairs.value)));
  const hand = computed(() => current(byHand.value));
  /** Those set by hand, and those found that are certain and not left out. */
  const wanted = computed(() => {
    const taken = new Set(hand.value.map((t) => t.moved));
    const sure = found.value.filter(
      (t) => t.certainty >= certain && !leftOut.value.has(t.moved) && !taken.has(t.moved),
    );
    return [...hand.value, ...sure];
  });
  /** Those the track moves by, tie by tie, in order. */
  const inOrder = computed(() => tiesThatGoTogether(wanted.value));
  const line = computed(() => piecesOf(inOrder.value));
  /** The straight line that explains all ties, of which any number may stand close together; null where none does. */
  const straight = computed(() => straightLine(piecesOf(wanted.value)));
  /** How it is done: the straight line where there is one, unless another way is chosen. */
  const way = computed<BorrowWay>({
    get() {
      if (chosen.value !== null && chosen.value !== 'line') return chosen.value;
      // A tie set by hand says more than any line that passes it by.
      return straight.value && (chosen.value === 'line' || hand.value.length === 0) ? 'line' : 'ties';
    },
    set: (now) => (chosen.value = now),
  });
  const rows = computed((): readonly TieRow[] => {
    const passing = way.value === 'line' ? straight.value : null;
    const ties = passing ? wanted.value : inOrder.value;
    const off = new Map((passing?.off ?? offFromOthers(line.value)).map((ms, i) => [ties[i]?.moved, ms]));
    const besideLine = new Set(ties.flatMap(({ moved }, i) => (passing?.leftOut[i] === true ? [moved] : [])));
    const taken = new Set(hand.value.map((t) => t.moved));
    const stateOf = (tie: BorrowedTie): TieState => {
      if (besideLine.has(tie.moved)) return 'off the line';
      if (tie.byHand) return 'by hand';
      if (leftOut.value.has(tie.moved)) return 'left out';
      if (tie.certainty < certain) return 'weak';
      return off.has(tie.moved) ? 'found' : 'beside another';
    };
    return [...hand.value, ...found.value.filter((t) => !taken.has(t.moved))]
      .sort((a, b) => a.at - b.at)
      .map((tie) => ({
        ...tie,
        state: stateOf(tie),
        off:
          off.get(tie.moved) ?? (inOrder.value.length > 0 ? tie.to - along(passing?.pieces ?? line.value, tie.at) : 0),
      }));
  });
  const plan = computed((): PlanAlong => {
    if (inOrder.value.length === 0) return null;
    if (way.value === 'line' && straight.value) return { pieces: straight.value.pieces };
    const ordered = orderedTies(line.value);
    return 'fault' in ordered ? { fault: ordered.fault } : { pieces: ordered };
  });
  const pieces = computed((): readonly Piece[] => (plan.value && 'pieces' in plan.value ? plan.value.pieces : []));
  /** Pairs that are used one for one: found ones that were not left out. Ties by hand move the rest. */
  const times = computed((): readonly Timed[] => {
    const { value: from } = giving;
    if (!from || way.value !== 'one for one' || pieces.value.length === 0) return [];
    const kept = pairs.value.filter((p) => {
      const first = paired.value[p.moved[0]];
      return first && !leftOut.value.has(first.id) && !hand.value.some((t) => t.moved === first.id);
    });
    const now = paired.value.map((c) => here.value.get(c.id) ?? c);
    return oneForOne(now, from.captions, kept, pieces.value).filter((t) => here.value.has(t.id));
  });

  /** Says that a caption begins where one of the other track does. */
  function tie(moved: Caption, there: Caption): void {
    const set = { moved: moved.id, giving: there.id, at: moved.start, to: there.start, certainty: 1, byHand: true };
    byHand.value = [...byHand.value.filter((t) => t.moved !== moved.id && t.giving !== there.id), set];
    leaveOut(moved.id, false);
  }
  function leaveOut(moved: string, isOut = true): void {
    const next = new Set(leftOut.value);
    if (isOut) next.add(moved);
    else next.delete(moved);
    leftOut.value = next;
  }
  /** Takes a tie away, or does without one that was found; asked again, that is used after all. */
  function untie(moved: string): void {
    if (byHand.value.some((t) => t.moved === moved)) byHand.value = byHand.value.filter((t) => t.moved !== moved);
    else leaveOut(moved, !leftOut.value.has(moved));
  }
  /** Uses a weak tie all the same. */
  function take(row: BorrowedTie): void {
    const [caption, there] = [here.value.get(row.moved), giving.value?.captions.find((c) => c.id === row.giving)];
    if (caption && there) tie(caption, there);
  }
  const tool: TimesTool = {
    begins: 'all',
    plan: (captions) => planFor(plan.value, way.value === 'one for one' ? times.value : null, captions),
    clear,
    gives: () => giving.value?.id ?? null,
    shows: { inStage: () => giving.value !== null && isShown.value, inMonitor: () => giving.value !== null },
  };
  return {
    tool,
    straight,
    giving,
    isPairing,
    trouble,
    isShown,
    way,
    from,
    rows,
    plan,
    pieces,
    times,
    tie,
    untie,
    take,
  };
});

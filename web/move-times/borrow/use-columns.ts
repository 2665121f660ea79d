/**
 * The two columns of borrowing: each scrolls by itself until there is a tie; from then on the captions that move stand
 * where they will be, and both go together. A caption in each, chosen or reached by key, is a tie.
 */
import { computed, onMounted, ref, shallowRef, watch, type Ref } from 'vue';
import { captionAt, type Caption } from '../../../core/model/caption.ts';
import { timesAlong } from '../../../core/timing/whole/same-move.ts';
import { withMoved } from '../../desk/captions/retiming.ts';
import { useHearJudged } from '../../recording/playback/hear-judged.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { tieLead, useBorrow, type TieRow } from './borrow.ts';
import { margin, toPx, type Sight } from './scale.ts';

export type BorrowSide = 'moved' | 'giving';
/** What is asked of a column. */
interface Column {
  readonly scrollTo: (top: number) => void;
  readonly focus: () => void;
}

export function useColumns(columns: Readonly<Record<BorrowSide, Readonly<Ref<Column | null>>>>) {
  const borrow = useBorrow();
  const track = useTrack();
  const cursor = useCursor();
  const times = useTimes();
  const hearFrom = useHearJudged();

  const isTied = computed(() => borrow.pieces.length > 0);
  const giving = computed(() => borrow.giving?.captions ?? []);
  const moved = computed((): readonly Caption[] => {
    const { pieces } = borrow;
    if (pieces.length === 0) return track.captions;
    return withMoved(track.captions, borrow.way !== 'one for one' ? timesAlong(track.captions, pieces) : borrow.times);
  });
  const ghosts = computed(() => (isTied.value ? track.captions : []));
  const ends = (captions: readonly Caption[]): number => captions.reduce((last, c) => Math.max(last, c.end), 0);
  const length = computed(() => Math.max(times.length, ends(track.captions), ends(moved.value), ends(giving.value)));

  const sights = shallowRef<Readonly<Record<BorrowSide, Sight>>>({
    moved: { top: 0, height: 0 },
    giving: { top: 0, height: 0 },
  });
  function seen(side: BorrowSide, sight: Sight): void {
    const other = side === 'moved' ? 'giving' : 'moved';
    sights.value = { ...sights.value, [side]: sight };
    if (isTied.value && Math.abs(sights.value[other].top - sight.top) > 1) columns[other].value?.scrollTo(sight.top);
  }
  /** A third of the way down, so that what comes next is seen too. */
  function show(side: BorrowSide, caption: Caption | undefined): void {
    const { top, height } = sights.value[side];
    if (!caption || height === 0) return;
    const y = margin + toPx(caption.start);
    if (y < top + 20 || y > top + height - 60) columns[side].value?.scrollTo(Math.max(0, y - height / 3));
  }

  /** The caption of the other track the keys are at. */
  const there = ref<string | null>(null);
  const cursors = computed(() => ({ moved: cursor.caption?.id ?? null, giving: there.value }));
  /** The one that waits for its other. */
  const picked = ref<{ readonly side: BorrowSide; readonly id: string } | null>(null);
  const listOf = (side: BorrowSide): readonly Caption[] => (side === 'moved' ? moved.value : giving.value);
  const at = (side: BorrowSide): number => listOf(side).findIndex((c) => c.id === cursors.value[side]);

  function goTo(side: BorrowSide, index: number): void {
    const list = listOf(side);
    const caption = list[Math.max(0, Math.min(list.length - 1, index))];
    if (!caption) return;
    if (side === 'moved') cursor.goTo(caption.id, 'chosen');
    else there.value = caption.id;
    show(side, caption);
  }
  function tie(from: string, to: string): void {
    const [here, other] = [track.captions.find((c) => c.id === from), giving.value.find((c) => c.id === to)];
    picked.value = null;
    if (here && other) borrow.tie(here, other);
  }
  /** A second one, in the other column, ties the two. */
  function choose(side: BorrowSide, caption: Caption): void {
    goTo(
      side,
      listOf(side).findIndex((c) => c.id === caption.id),
    );
    if (picked.value && picked.value.side !== side)
      tie(side === 'moved' ? caption.id : picked.value.id, side === 'moved' ? picked.value.id : caption.id);
    else picked.value = picked.value?.id === caption.id ? null : { side, id: caption.id };
  }
  function follow(row: TieRow): void {
    cursor.goTo(row.moved, 'chosen');
    there.value = row.giving;
  }
  function focus(side: BorrowSide): void {
    columns[side].value?.focus();
  }
  function onKey(side: BorrowSide, event: KeyboardEvent): void {
    const other = side === 'moved' ? 'giving' : 'moved';
    const many = listOf(side).length;
    const keys: Readonly<Record<string, () => void>> = {
      ArrowUp: () => goTo(side, at(side) - 1),
      ArrowDown: () => goTo(side, at(side) + 1),
      PageUp: () => goTo(side, at(side) - 8),
      PageDown: () => goTo(side, at(side) + 8),
      // Both at once: the first and the last of two tracks are the same thing most often.
      Home: () => (['moved', 'giving'] as const).forEach((one) => goTo(one, 0)),
      End: () => (['moved', 'giving'] as const).forEach((one) => goTo(one, listOf(one).length - 1)),
      ArrowLeft: () => focus('moved'),
      ArrowRight: () => focus('giving'),
      Enter() {
        const { moved: from, giving: to } = cursors.value;
        if (from !== null && to !== null) tie(from, to);
        else focus(other);
      },
      Delete() {
        if (cursor.caption) borrow.untie(cursor.caption.id);
      },
      ' '() {
        const caption = listOf(side)[at(side)];
        if (caption) hearFrom(caption.start, tieLead);
      },
    };
    const key = event.ctrlKey || event.altKey || event.metaKey ? undefined : keys[event.key];
    if (!key || many === 0) return;
    key();
    event.preventDefault();
    event.stopPropagation();
  }
  // The other column goes to what the cursor caption is tied to.
  watch(
    () => cursor.caption?.id,
    (id) => {
      const row = borrow.rows.find((r) => r.moved === id);
      if (row) there.value = row.giving;
      show(
        'moved',
        moved.value.find((c) => c.id === id),
      );
    },
  );
  watch(
    isTied,
    (now) => {
      if (now) columns.giving.value?.scrollTo(sights.value.moved.top);
    },
    { flush: 'post' },
  );
  onMounted(() => {
    const row = borrow.rows.find((r) => r.moved === cursor.caption?.id);
    there.value =
      row?.giving ?? giving.value[Math.max(0, captionAt(giving.value, cursor.caption?.start ?? 0))]?.id ?? null;
    focus('moved');
  });

  return { isTied, moved, giving, ghosts, length, sights, cursors, picked, seen, choose, follow, tie, onKey };
}

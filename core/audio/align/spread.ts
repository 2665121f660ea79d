/** Captions that were not heard, between neighbours that were: they stay between them, in their old proportions. */
import type { CaptionPlace } from './caption-place.ts';
import type { CaptionToPlace } from './moves.ts';

/** A moment before, and where it is now, in ms. */
type Moment = readonly [was: number, now: number];

/** Captions in a row that were not heard; the last is not among them. */
interface Row {
  readonly from: number;
  readonly to: number;
}

function unheardRows(places: readonly CaptionPlace[]): Row[] {
  const rows: Row[] = [];
  places.forEach(({ how }, i) => {
    const last = rows.at(-1);
    if (how === 'certain') return;
    if (last?.to === i) rows[rows.length - 1] = { ...last, to: i + 1 };
    else rows.push({ from: i, to: i + 1 });
  });
  return rows;
}

/** Whether places stand one after the other as their captions did: none before the one before it, none at its moment that was not there. */
function keepsOrder(
  captions: readonly CaptionToPlace[],
  places: readonly CaptionPlace[],
  from: number,
  to: number,
): boolean {
  for (let i = Math.max(1, from); i <= Math.min(to, places.length - 1); i++) {
    const [before, here] = [places[i - 1], places[i]];
    if (!before || !here || here.start < before.start) return false;
    if (here.start === before.start && captions[i]?.start !== captions[i - 1]?.start) return false;
  }
  return true;
}

/** Where a moment between two others is once these have moved. */
const between = ([a, nowA]: Moment, [b, nowB]: Moment, ms: number): number =>
  b > a ? nowA + ((Math.min(b, Math.max(a, ms)) - a) * (nowB - nowA)) / (b - a) : nowA;

/** What a row is spread between: its neighbours, or what they say where it is the first or the last. */
function endsOf(
  captions: readonly CaptionToPlace[],
  places: readonly CaptionPlace[],
  { from, to }: Row,
): [Moment, Moment] {
  const [first, last] = [captions[from], captions[to - 1]];
  const [before, after] = [captions[from - 1], captions[to]];
  const [placeBefore, placeAfter] = [places[from - 1], places[to]];
  const left: Moment = before && placeBefore ? [before.start, placeBefore.start] : [-1, -1];
  const right: Moment =
    after && placeAfter
      ? [after.start, placeAfter.start]
      : // Behind all that were heard they go along with the last of them.
        [(last?.end ?? 0) + 1, (last?.end ?? 0) + 1 + left[1] - left[0]];
  // Times that say nothing of the order are as good as none.
  return first && last && left[0] < first.start && last.start < right[0]
    ? [left, right]
    : [
        [0, left[1]],
        [0, right[1]],
      ];
}

/**
 * Places where none that was not heard is out of order with those that were, and no two captions come to stand at one
 * moment that did not before. Where one would be, its whole row is spread between its neighbours.
 */
export function spreadUnheard(
  captions: readonly CaptionToPlace[],
  places: readonly CaptionPlace[],
): readonly CaptionPlace[] {
  const out = [...places];
  for (const row of unheardRows(places)) {
    const { from, to } = row;
    if (keepsOrder(captions, places, from, to)) continue;
    const [left, right] = endsOf(captions, places, row);
    const many = to - from;
    const even = (nth: number): number => left[1] + ((right[1] - left[1]) * (nth + 1)) / (many + 1);
    const isInProportion = right[0] > left[0];
    let floor = left[1];
    for (let i = from; i < to; i++) {
      const c = captions[i];
      if (!c) continue;
      const at = (ms: number, nth: number): number => (isInProportion ? between(left, right, ms) : even(nth));
      // Rounding brings none to the moment of another, as long as there are as many ms as captions.
      const wasAlike = i > from && c.start === captions[i - 1]?.start;
      const latest = right[1] - (to - i);
      const start = Math.max(0, Math.min(Math.round(at(c.start, i - from)), latest), wasAlike ? floor : floor + 1);
      const end = Math.max(start + 1, Math.round(Math.min(right[1], at(c.end, i - from + 1))));
      out[i] = { start, end, how: 'with neighbours', words: [] };
      floor = start;
    }
  }
  return out;
}

import { typedTimes, type TimeField } from './typed.ts';

const rules = { gap: 80, least: 40, length: 60_000 };
const at = (id: string, start: number, end: number) => ({ id, start, end });
const row = [at('a', 1000, 3000), at('b', 4000, 6000), at('c', 6020, 8000)];
const typed = (index: number, field: TimeField, ms: number, whole = false) =>
  typedTimes(row, { index, field, ms, whole }, rules);

describe('times that are typed', () => {
  it.each<[TimeField, number, number, number]>([
    ['start', 1500, 1500, 3000],
    ['end', 2500, 1000, 2500],
    ['duration', 500, 1000, 1500],
    ['start', 10_000, 10_000, 12_000],
    ['end', 900, 0, 900],
  ])('%s at %i', (field, ms, start, end) => expect(typed(0, field, ms)).toEqual(at('a', start, end)));

  it('are no nearer to another than the smallest gap, or than they were', () => {
    expect(typed(2, 'start', 6010)).toEqual({ why: 'neighbour', neighbour: row[1] });
    expect(typed(2, 'start', 6030)).toEqual(at('c', 6030, 8000));
  });

  it('are taken in either order: begin and then end, far from where the caption was', () => {
    const begun = typed(0, 'start', 20_000);
    expect(begun).toEqual(at('a', 20_000, 22_000));
    const moved = [at('a', 20_000, 22_000), ...row.slice(1)];
    expect(typedTimes(moved, { index: 0, field: 'end', ms: 21_000 }, rules)).toEqual(at('a', 20_000, 21_000));
  });

  it('move the caption whole where that is asked for', () => {
    expect(typed(0, 'start', 1200, true)).toEqual(at('a', 1200, 3200));
    expect(typed(0, 'start', 0, true)).toEqual(at('a', 0, 2000));
  });

  it('are refused where another stands, which is named, and where they are too short or past the recording', () => {
    expect(typed(0, 'end', 3950)).toEqual({ why: 'neighbour', neighbour: row[1] });
    expect(typed(0, 'start', 5000)).toEqual({ why: 'neighbour', neighbour: row[1] });
    expect(typed(0, 'duration', 20)).toEqual({ why: 'least', least: 40 });
    expect(typed(2, 'end', 61_000)).toEqual({ why: 'end', length: 60_000 });
  });
});

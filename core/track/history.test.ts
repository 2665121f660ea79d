import { caption } from './caption.ts';
import { apply, type Edit } from './edits.ts';
import { noHistory, redo, remember, undo, type History } from './history.ts';

const start = [
  caption({ id: 'a', start: 0, end: 1000, text: 'one' }),
  caption({ id: 'b', start: 2000, end: 3000, text: 'two' }),
];

interface State {
  captions: typeof start;
  history: History;
}
function step(state: State, edit: Edit, mergeable = false): State {
  const done = apply(state.captions, edit);
  return {
    captions: [...done.captions],
    history: remember(state.history, edit, done.inverse, done.captions, mergeable),
  };
}
function back(state: State, way: typeof undo): State & { skipped: number } {
  const taken = way(state.history, state.captions);
  return {
    history: taken.history,
    captions: taken.edit ? [...apply(state.captions, taken.edit).captions] : state.captions,
    skipped: taken.skipped,
  };
}
const typed = (at: number, insert: string): Edit => ({ type: 'splice', id: 'a', from: at, to: at, insert });
const texts = (s: State): string[] => s.captions.map((c) => c.text);

describe('history', () => {
  it('takes steps back and does them again', () => {
    let s: State = { captions: start, history: noHistory };
    s = step(s, typed(3, '!'));
    s = step(s, { type: 'remove', ids: ['b'] });
    s = back(back(s, undo), undo);
    expect(texts(s)).toEqual(['one', 'two']);
    s = back(back(s, redo), redo);
    expect(texts(s)).toEqual(['one!']);
    expect(texts(back(s, undo))).toEqual(['one!', 'two']);
  });

  it('takes a run of typing back at once', () => {
    let s: State = { captions: start, history: noHistory };
    s = step(step(step(s, typed(3, 'a')), typed(4, 'b'), true), typed(5, 'c'), true);
    expect(s.history.undo).toHaveLength(1);
    s = back(s, undo);
    expect(texts(s)).toEqual(['one', 'two']);
    expect(texts(back(s, redo))).toEqual(['oneabc', 'two']);
  });

  it('skips a step whose caption somebody else has changed since, and says so', () => {
    let s: State = { captions: start, history: noHistory };
    s = step(s, { type: 'splice', id: 'b', from: 0, to: 0, insert: 'x' });
    s = step(s, typed(3, '!'));
    s = { ...s, captions: [...apply(s.captions, typed(0, 'others ')).captions] };
    const after = back(s, undo);
    expect(after.skipped).toBe(1);
    expect(texts(after)).toEqual(['others one!', 'two']);
  });

  it('forgets what was undone once something new is done', () => {
    let s: State = { captions: start, history: noHistory };
    s = back(step(s, typed(3, '!')), undo);
    s = step(s, typed(3, '?'));
    expect(s.history.redo).toEqual([]);
  });
});

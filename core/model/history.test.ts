import { caption } from './caption.ts';
import { apply, applyAll } from './apply.ts';
import type { Edit } from './edits.ts';
import { carry, noHistory, redo, remember, undo, type History } from './history.ts';
import { partsOfAll } from './rebase.ts';

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
    history: remember(state.history, edit, done.inverse, mergeable),
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

  /** Others make edits, and the history hears of it. */
  const others = (s: State, ...edits: Edit[]): State => ({
    captions: [...applyAll(s.captions, edits)],
    history: carry(s.history, s.captions, partsOfAll(edits)),
  });

  it('takes a step back and leaves what others typed in the same caption', () => {
    let s: State = { captions: start, history: noHistory };
    s = step(s, typed(3, '!'));
    s = others(s, typed(0, 'others '), { type: 'setTimes', id: 'a', start: 5, end: 900 });
    const after = back(s, undo);
    expect(after.skipped).toBe(0);
    expect(texts(after)).toEqual(['others one', 'two']);
    expect(after.captions[0]).toMatchObject({ start: 5, end: 900 });
    expect(texts(back(after, redo))).toEqual(['others one!', 'two']);
  });

  it('does not bring back what others deleted, nor take away what they typed into it', () => {
    let s: State = { captions: start, history: noHistory };
    s = step(s, { type: 'splice', id: 'a', from: 0, to: 3, insert: 'lantern' });
    s = others(
      s,
      { type: 'splice', id: 'a', from: 0, to: 4, insert: '' },
      { type: 'splice', id: 'a', from: 2, to: 2, insert: 'X' },
    );
    expect(texts(s)).toEqual(['erXn', 'two']);
    expect(texts(back(s, undo))[0]).toContain('X');
    expect(texts(back(s, undo))[0]).not.toContain('lant');
  });

  it('says nothing of a step whose captions others have removed', () => {
    let s: State = { captions: start, history: noHistory };
    s = step(s, { type: 'proof', ids: ['b'], proofed: true });
    s = others(s, { type: 'remove', ids: ['b'] });
    expect(back(s, undo)).toMatchObject({ skipped: 0, captions: [{ id: 'a' }] });
  });

  it('skips a step that would bring back what others have removed, and says so', () => {
    let s: State = { captions: start, history: noHistory };
    s = step(s, { type: 'splice', id: 'b', from: 0, to: 0, insert: 'x' });
    s = step(s, { type: 'splice', id: 'a', from: 0, to: 3, insert: '' });
    s = others(s, { type: 'remove', ids: ['a'] });
    const after = back(s, undo);
    expect(after.skipped).toBe(1);
    expect(texts(after)).toEqual(['two']);
  });

  it('takes back what a step changed besides captions, and does it again', () => {
    const part = { start: 0, end: 900 };
    const done = { type: 'proof', ids: ['a'], proofed: true } as const;
    const { captions, inverse } = apply(start, done);
    const first = undo(remember(noHistory, done, inverse, false, { stretch: { from: null, to: part } }), captions);
    expect(first.beside).toEqual({ stretch: { from: part, to: null } });
    const again = redo(first.history, start);
    expect(again.beside).toEqual({ stretch: { from: null, to: part } });
    expect(undo(again.history, captions).beside).toEqual({ stretch: { from: part, to: null } });
    expect(undo(remember(noHistory, done, inverse, false), captions).beside).toBeNull();
  });

  it('forgets what was undone once something new is done', () => {
    let s: State = { captions: start, history: noHistory };
    s = back(step(s, typed(3, '!')), undo);
    s = step(s, typed(3, '?'));
    expect(s.history.redo).toEqual([]);
  });
});

it('a run of presses is one step, whatever time passes and whichever captions they move', () => {
  const captions = [
    caption({ id: 'a', start: 0, end: 1000, text: 'one' }),
    caption({ id: 'b', start: 1000, end: 2000, text: 'two' }),
  ];
  const retimed = (...of: readonly (readonly [string, number, number])[]): Edit => ({
    type: 'retime',
    captions: of.map(([id, start, end]) => ({ id, start, end, timing: 'set' })),
    pieces: [],
  });
  let history = noHistory;
  let now: typeof start = captions;
  function press(edit: Edit, run: string): void {
    const done = apply(now, edit);
    history = remember(history, edit, done.inverse, run);
    now = [...done.captions];
  }
  press(retimed(['a', 0, 980]), 'first');
  press(retimed(['a', 0, 960]), 'first');
  press(retimed(['a', 0, 900], ['b', 900, 2000]), 'first');
  expect(history.undo).toHaveLength(1);
  const back = undo(history, now);
  expect(apply(now, back.edit ?? retimed()).captions).toEqual(captions);
  press(retimed(['b', 900, 1900]), 'second');
  expect(history.undo).toHaveLength(2);
});

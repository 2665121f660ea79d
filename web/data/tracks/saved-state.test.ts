/** What is said of changes: never that they are saved while the server does not have them. */
import type { SyncState } from '../sync/sync-needs.ts';
import { savedStateOf } from './saved-state.ts';
import { noticeOf, reversedInWords } from './track-notices.ts';

const told = (state: SyncState, waiting = 0, unwritten = false) =>
  savedStateOf({ state: () => state, waiting: () => waiting, unwritten: () => unwritten });
const states: readonly SyncState[] = ['opening', 'idle', 'sending', 'offline', 'blocked', 'missing'];

it('they are saved only where nothing waits', () => {
  expect(states.filter((state) => told(state) === 'saved')).toEqual(['idle']);
  expect(states.filter((state) => told(state, 1) === 'saved')).toEqual([]);
});

it('what even the browser could not write down is said first, whatever the server does', () => {
  expect(states.map((state) => told(state, 3, true))).toEqual(states.map(() => 'on this page only'));
});

it('each way of standing still has a name of its own', () => {
  expect([told('offline', 1), told('blocked', 1), told('missing', 1)]).toEqual([
    'in this browser',
    'other history',
    'track missing',
  ]);
});

it('a person is told of a conflict and of a step that was passed over, and of nothing else', () => {
  expect(noticeOf({ type: 'conflict', count: 1 })).toMatch(
    /^One caption was changed here and elsewhere.*go to it with F8/,
  );
  expect(noticeOf({ type: 'conflict', count: 2 })).toMatch(/^2 captions were .*go to each with F8/);
  expect(noticeOf({ type: 'skipped' })).toContain('passed over');
  const made = { type: 'remove', ids: ['a', 'b'] } as const;
  expect(reversedInWords({ type: 'reversed', by: 'undo', made })).toBe('Undone: 2 captions deleted.');
  expect(reversedInWords({ type: 'reversed', by: 'redo', made })).toBe('Done again: 2 captions deleted.');
  expect(reversedInWords({ type: 'state' })).toBeNull();
  expect(noticeOf({ type: 'state' })).toBeNull();
});

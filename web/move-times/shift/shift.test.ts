/** What is typed, and what it comes to. */
import '../../globals-for-tests.ts';
import { ratePlan } from '../rate/rate.ts';
import { shiftPlan } from './shift.ts';

const rate = { numerator: 25, denominator: 1 };

it.each<[string, unknown]>([
  ['', null],
  ['-', null],
  ['0.4', { by: 400 }],
  ['−1.2', { by: -1200 }],
  ['-1.2', { by: -1200 }],
  ['+2', { by: 2000 }],
  // Two pictures of 40 ms.
  ['2f', { by: 80 }],
  ['soon', { fault: 'Write seconds as in 0.4, or −1.2 for earlier; pictures as in 2f.' }],
])('a shift by “%s” is %j', (typed, plan) => expect(shiftPlan(typed, rate)).toEqual(plan));

it('one frame rate played at another stretches all, and the same rate nothing', () => {
  expect(ratePlan('25', '25')).toBeNull();
  expect(ratePlan('25', 'slow')).toBeNull();
  const plan = ratePlan('25', '24');
  if (!plan || !('pieces' in plan)) throw new Error('There is a way from one to the other.');
  // An hour at 25 pictures a second lasts 25/24 of that at 24.
  const [[from, to] = [0, 0], [until, then] = [1, 0]] = plan.pieces;
  expect((then - to) / (until - from)).toBeCloseTo(25 / 24, 6);
});

import { changedOf } from './job-head.ts';

const job = { title: 'Lock 39', series: 'River walks', language: 'en-GB' };

it('what is saved of a job is what was changed of it', () => {
  expect(changedOf(job, { ...job, title: ' Lock 40 ' })).toEqual({ title: 'Lock 40' });
  expect(changedOf(job, { ...job, series: '', language: 'cy' })).toEqual({ series: '', language: 'cy' });
});

it('and nothing where only space was added', () => {
  expect(changedOf(job, { ...job, title: 'Lock 39  ' })).toBeNull();
});

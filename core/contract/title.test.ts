import { describe, expect, it } from '@jest/globals';
import { titleFault } from './title.ts';

describe('a title', () => {
  it.each([
    ['', 'Give the job a title.'],
    ['  \n', 'Give the job a title.'],
    ['Working a lock', null],
    [` ${'a'.repeat(200)} `, null],
    ['a'.repeat(201), 'The title has 201 characters; at most 200 are kept.'],
  ])('%j', (title, fault) => {
    expect(titleFault(title)).toBe(fault);
  });
});

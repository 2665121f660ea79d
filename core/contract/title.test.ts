import { describe, expect, it } from '@jest/globals';
import { titleFault, trackNameFault } from './title.ts';

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

describe('the name of a track', () => {
  it.each([
    [' ', 'Give the track a name.'],
    ['fair copy', null],
    ['a'.repeat(121), 'The name has 121 characters; at most 120 are kept.'],
  ])('%j', (name, fault) => {
    expect(trackNameFault(name)).toBe(fault);
  });
});

import { labelLength, labelOf } from './labels.ts';

describe('labels', () => {
  it.each<[string, string, number]>([
    ['Keeper: Yes.', 'Keeper', 8],
    ['KEEPER: Yes.', 'Keeper', 8],
    ['[Keeper] Yes.', 'Keeper', 9],
    ['(Keeper): Yes.', 'Keeper', 10],
    ['Visitor: Yes.', 'Keeper', 0],
    ['Keeper said: yes', 'Keeper', 0],
    ['Yes.', '', 0],
  ])('%j by %j', (text, speaker, length) => expect(labelLength(text, speaker)).toBe(length));

  it('count in capitals, or where the name is known', () => {
    expect(labelOf('MRS O’DELL 2: x', new Set())).toEqual({ speaker: 'MRS O’DELL 2', length: 14 });
    expect(labelOf('Remember: x', new Set())).toBeNull();
    expect(labelOf('Remember: x', new Set(['remember']))).toEqual({ speaker: 'Remember', length: 10 });
    expect(labelOf('水門: x', new Set())).toBeNull();
    expect(labelOf('10: x', new Set())).toBeNull();
  });
});

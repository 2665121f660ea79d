import fc from 'fast-check';
import { carryingArbitrary } from './arbitrary.ts';
import { caption, withVersions, type Caption } from './caption.ts';
import { decodeCaption, decodeEdit } from './decode.ts';
import { longestNote, merge, type Edit } from './edits.ts';
import { filledCaption, filledCaptions, filledEdit } from './filled.ts';

/** As it was kept before captions could be marked. */
const early = ({ comeBack: _, ...rest }: Caption): Caption => rest as Caption;
const now = caption({ id: 'a', start: 0, end: 900, text: 'gate' });

describe('what was kept before captions could be marked to come back to', () => {
  it('has all there is, not marked; what has it already is left alone', () => {
    fc.assert(
      fc.property(carryingArbitrary, (c) => {
        expect(filledCaption(early(c))).toEqual({ ...c, comeBack: null });
        expect(filledCaption(c)).toBe(c);
        expect(decodeCaption(early(c))).toEqual({ ...c, comeBack: null });
      }),
    );
    const all = [now];
    expect(filledCaptions(all)).toBe(all);
  });

  it('is filled in every edit that holds captions, versions and edits within edits among them', () => {
    const torn = withVersions(early(now), [early({ ...now, text: 'lock' }), null]);
    const whole = withVersions(now, [{ ...now, text: 'lock' }, null]);
    const of = (c: Caption, version: Caption): Edit => ({
      type: 'together',
      edits: [
        { type: 'insert', captions: [c] },
        { type: 'replace', removed: ['b'], captions: [c] },
        { type: 'setCaptions', captions: [c] },
        { type: 'keepVersion', id: 'a', caption: version },
        { type: 'remove', ids: ['a'] },
      ],
    });
    expect(filledEdit(of(torn, early(now)))).toEqual(of(whole, now));
  });
});

describe('a note to come back for', () => {
  const note = (of: string | null, id = 'a'): Edit => ({ type: 'comeBack', id, note: of });
  it('written on is one step; taken away, or of another caption, it is another', () => {
    expect(merge(note('na'), note('name'))).toEqual(note('name'));
    expect(merge(note('na'), note(null))).toBeNull();
    expect(merge(note(null), note('na'))).toBeNull();
    expect(merge(note('na'), note('name', 'b'))).toBeNull();
  });
  it('has an end', () => {
    expect(decodeEdit(note('x'.repeat(longestNote)))).toEqual(note('x'.repeat(longestNote)));
    expect(() => decodeEdit(note('x'.repeat(longestNote + 1)))).toThrow(`at most ${String(longestNote)} characters`);
  });
});

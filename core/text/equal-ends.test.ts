import fc from 'fast-check';
import { equalEnds, equalTextEnds } from './equal-ends.ts';

it('what lies between the ends makes one of the other, and the ends are as long as they can be', () => {
  const text = fc.string({ unit: fc.constantFrom('a', 'b', '🔒'), maxLength: 12 });
  fc.assert(
    fc.property(text, text, (before, after) => {
      const { head, tail } = equalTextEnds(before, after);
      expect(before.slice(0, head) + after.slice(head, after.length - tail) + before.slice(before.length - tail)).toBe(
        after,
      );
      expect(equalEnds([...before.split('')], [...after.split('')])).toEqual({ head, tail });
      const [left, right] = [before.length - tail - 1, after.length - tail - 1];
      if (head <= left && head <= right) {
        expect(before[head]).not.toBe(after[head]);
        expect(before[left]).not.toBe(after[right]);
      }
    }),
  );
});

import { joint } from '../../../core/operations/joint.ts';
import { ChangeSet, Text } from '@codemirror/state';
import fc from 'fast-check';
import { shippedStyle } from '../../../core/style/shipped.ts';
import { captionsArbitrary, play, seedsArbitrary } from '../../../core/model/arbitrary.ts';
import { caption } from '../../../core/model/caption.ts';
import { apply } from '../../../core/model/apply.ts';
import { changesTo, documentOf, followedLayout, layoutOf, spotAt } from './layout.ts';
import { editOfChange } from './edit-of-change.ts';

const lecture = () => {
  const style = shippedStyle('lecture-38');
  if (!style) throw new Error('The lecture style ships.');
  return style;
};
const style = lecture();
const three = ['the gate', 'is shut\nfor now', 'good'].map((text, i) =>
  caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2000, text }),
);
const after = (from: number, to: number, insert: string) => {
  const result = editOfChange(layoutOf(three), [{ from, to, insert }], style);
  return { texts: result ? apply(three, result.edit).captions.map((c) => c.text) : null, asTyped: result?.asTyped };
};

describe('translate', () => {
  it.each<[string, [number, number, string], string[], boolean]>([
    ['typing stays as typed', [8, 8, 's'], ['the gates', 'is shut\nfor now', 'good'], true],
    ['a line break goes when its sign is deleted', [16, 17, ' '], ['the gate', 'is shut for now', 'good'], true],
    ['deleting between captions joins them', [8, 9, ''], ['the gate is shut\nfor now', 'good'], false],
    ['deleting over the border keeps what is left apart', [4, 12, ''], ['the ', 'shut\nfor now', 'good'], false],
    ['typing over several captions keeps the first', [4, 29, 'x'], ['the x'], false],
    ['deleting whole captions removes them', [0, 25, ''], ['good'], false],
  ])('%s', (_, [from, to, insert], texts, asTyped) => expect(after(from, to, insert)).toEqual({ texts, asTyped }));

  it('takes carriage returns of pasted text as line breaks', () => {
    expect(after(8, 8, '\r\nx').texts?.[0]).toBe('the gate\nx');
  });

  it('says truly whether the document can stand as typed', () => {
    fc.assert(
      fc.property(
        captionsArbitrary,
        fc.nat(300),
        fc.nat(30),
        fc.stringMatching(/^[a-z \n]{0,4}$/),
        (captions, at, size, insert) => {
          const text = documentOf(captions);
          const from = at % (text.length + 1);
          const to = Math.min(text.length, from + size);
          const result = editOfChange(layoutOf(captions), [{ from, to, insert }], style);
          if (result?.asTyped)
            expect(documentOf(apply(captions, result.edit).captions)).toBe(
              text.slice(0, from) + insert + text.slice(to),
            );
        },
      ),
    );
  });

  it('handles several places changed at once', () => {
    const result = editOfChange(
      layoutOf(three),
      [
        { from: 0, to: 1, insert: 'T' },
        { from: 4, to: 5, insert: 'G' },
        { from: 9, to: 10, insert: 'I' },
      ],
      style,
    );
    expect(result && apply(three, result.edit).captions.map((c) => c.text)).toEqual([
      'The Gate',
      'Is shut\nfor now',
      'good',
    ]);
  });
});

describe('layout', () => {
  it('finds the caption of every position', () => {
    const layout = layoutOf(three);
    expect([0, 8, 9, 24, 25, 99].map((p) => spotAt(layout, p))).toEqual([
      { index: 0, offset: 0 },
      { index: 0, offset: 8 },
      { index: 1, offset: 0 },
      { index: 1, offset: 15 },
      { index: 2, offset: 0 },
      { index: 2, offset: 4 },
    ]);
  });

  it('gives changes that make one document of the other', () => {
    fc.assert(
      fc.property(captionsArbitrary, seedsArbitrary, (captions, seeds) => {
        const now = play(captions, seeds, 'n').captions;
        const changes = changesTo(layoutOf(captions), now);
        expect(
          ChangeSet.of([...changes], documentOf(captions).length)
            .apply(Text.of(documentOf(captions).split('\n')))
            .toString(),
        ).toBe(documentOf(now));
      }),
    );
  });

  it('changes very many captions out of sight as two stretches, and keeps to its place', () => {
    const many = Array.from({ length: 300 }, (_, i) =>
      caption({ id: `c${String(i)}`, start: i * 1000, end: i * 1000 + 900, text: `gate ${String(i)}\nis shut` }),
    );
    const now = many.map((c, i) => (i % 2 === 0 ? { ...c, text: c.text.replace('gate', 'lock gate') } : c));
    const layout = layoutOf(many);
    const changes = changesTo(layout, now, { first: 100, last: 103 });
    expect(changes).toHaveLength(4);
    const text = Text.of(documentOf(many).split('\n'));
    expect(
      ChangeSet.of([...changes], text.length)
        .apply(text)
        .toString(),
    ).toBe(documentOf(now));
    for (const i of [0, 7, 102, 298]) {
      const [before, after] = [many[i], now[i]].map((c) => c?.text.indexOf('is') ?? -1);
      const at = followedLayout(layout, layoutOf(now), (layout.starts[i] ?? 0) + (before ?? 0));
      expect(at).toBe((layoutOf(now).starts[i] ?? 0) + (after ?? 0));
    }
  });

  it('changes only the captions that have another text', () => {
    const now = three.map((c, i) => (i === 1 ? c : { ...c, text: c.text.replace('g', 'h') }));
    expect(changesTo(layoutOf(three), now)).toEqual([
      { from: 4, to: 5, insert: 'h' },
      { from: 25, to: 26, insert: 'h' },
    ]);
  });

  it('puts a line break between captions that are too long for one line', () => {
    const long = caption({ id: 'x', start: 0, end: 1, text: 'a line of just about thirty signs' });
    expect(joint(long, long, style)).toBe('\n');
    expect(joint(three[0] ?? long, three[2] ?? long, style)).toBe(' ');
  });
});

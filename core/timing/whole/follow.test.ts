import { caption, type Caption, type WordRange } from '../../model/caption.ts';
import { apply } from '../../model/apply.ts';
import { usualRate } from '../clock/frames.ts';
import { readStretches, segmentsWith, segmentsWithout } from './cuts.ts';
import { followed, followEdit } from './follow.ts';
import type { Segment } from './segment.ts';

const word = (from: number, to: number, start: number, end: number): WordRange => [
  from,
  to,
  start,
  end,
  1,
  'aligned',
  '',
];
const bell: Caption = {
  ...caption({ id: 'a', start: 1000, end: 4000, text: 'wait for the bell.' }),
  words: [word(0, 4, 1000, 1500), word(5, 8, 1500, 1800), word(9, 12, 1800, 2000), word(13, 17, 3500, 4000)],
};
const follow = (captions: readonly Caption[], segments: readonly Segment[]) =>
  followed(captions, segments, () => 'new');
const shape = ({ id, start, end, text }: Caption): readonly unknown[] => [id, start, end, text];

describe('captions of a recording that was cut again', () => {
  it('become two where something was put in, by the times of their words', () => {
    const { captions } = follow([bell], segmentsWith([{ start: 3000, end: 13_000 }]));
    expect(captions.map(shape)).toEqual([
      ['a', 1000, 3000, 'wait for the'],
      ['new', 13_000, 14_000, 'bell.'],
    ]);
    expect(captions[1]?.words).toEqual([word(0, 4, 13_500, 14_000)]);
  });

  it('go whole where the most of them is when their words have no times', () => {
    const bare = { ...bell, words: [] };
    expect(follow([bare], segmentsWith([{ start: 3000, end: 13_000 }])).captions.map(shape)).toEqual([
      ['a', 1000, 3000, 'wait for the bell.'],
    ]);
    expect(follow([bare], segmentsWith([{ start: 1500, end: 11_500 }])).captions.map(shape)).toEqual([
      ['a', 11_500, 14_000, 'wait for the bell.'],
    ]);
  });

  it('stay as they are where less than a second part was put in', () =>
    expect(follow([bell], segmentsWith([{ start: 3000, end: 3400 }])).captions.map(shape)).toEqual([
      ['a', 1000, 4400, 'wait for the bell.'],
    ]));

  it('go along where their stretch was moved, and stand in the new order', () => {
    const two = [bell, caption({ id: 'b', start: 5000, end: 7000, text: 'Then open.' })];
    const { captions, gone } = follow(two, [
      { now: 0, was: 4500, length: 4500 },
      { now: 4500, was: 0, length: 4500 },
    ]);
    expect(captions.map(shape)).toEqual([
      ['b', 500, 2500, 'Then open.'],
      ['a', 5500, 8500, 'wait for the bell.'],
    ]);
    expect(gone).toEqual([]);
  });

  it('stay where they were said when the same sound stands a second time, and are there twice only by their words', () => {
    const again: readonly Segment[] = [
      { now: 0, was: 0, length: 500 },
      { now: 500, was: 800, length: 4000 },
      { now: 4500, was: 500, length: 9500 },
    ];
    expect(follow([{ ...bell, words: [] }], again).captions.map((c) => c.start)).toEqual([5000]);
    expect(follow([bell], again).captions.map((c) => [c.start, c.text])).toEqual([
      [700, bell.text],
      [5000, bell.text],
    ]);
  });

  it('are told where nothing is left of them', () => {
    const { captions, gone } = follow([bell], [{ now: 0, was: 8000, length: 5000 }]);
    expect([captions, gone]).toEqual([[], [bell]]);
  });
});

describe('the step by which captions follow', () => {
  it('moves what keeps its words and replaces the rest, so that the track is as it was shown', () => {
    const captions = [
      caption({ id: '0', start: 0, end: 900, text: 'Stay.' }),
      bell,
      caption({ id: 'c', start: 6000, end: 7000, text: 'Gone.' }),
      { ...caption({ id: 'd', start: 9000, end: 9900, text: 'Later.' }), words: [word(0, 5, 9000, 9500)] },
    ];
    for (const segments of [
      segmentsWithout([
        { start: 2500, end: 4000 },
        { start: 5500, end: 7500 },
      ]),
      segmentsWith([{ start: 3000, end: 13_000 }]),
      // The same sound twice, and two stretches that share a little of the old recording.
      [
        { now: 0, was: 8000.4, length: 2000.2 },
        { now: 2000.6, was: 0, length: 5000.3 },
        { now: 7000.9, was: 4950, length: 6000 },
      ],
    ]) {
      const { captions: after } = follow(captions, segments);
      const edit = followEdit(captions, after, segments);
      expect(edit && apply(captions, edit).captions).toEqual(after);
      const steps = edit?.type === 'together' ? edit.edits : [];
      const moments = steps.flatMap((step) => (step.type === 'retime' ? step.pieces.map(([was]) => was) : []));
      expect(moments.length).toBeGreaterThan(2);
      expect(moments.every((was, i) => was >= 0 && was > (moments[i - 1] ?? -1))).toBe(true);
    }
    expect(followEdit(captions, captions, segmentsWithout([]))).toBeNull();
  });
});

describe('a list of cuts', () => {
  it.each([
    [
      '0:20 0:32.35\n1:10-1:30',
      [
        [20_000, 32_350],
        [70_000, 90_000],
      ],
    ],
    ['00:00:05.000 → 00:00:08.500; 00:00:07,250 – 00:00:09', [[5000, 9000]]],
    ['', []],
  ])('%j', (text, wanted) =>
    expect(readStretches(text, usualRate)).toEqual({ stretches: wanted.map(([start, end]) => ({ start, end })) }),
  );
  it.each([
    ['0:20', /two times/],
    ['0:32 0:20', /ends before it begins/],
    ['0:20 9:9:9:9', /“9:9:9:9”/],
  ])('%j is no list', (text, fault) =>
    expect(readStretches(text, usualRate)).toMatchObject({ fault: expect.stringMatching(fault) as string }),
  );
});

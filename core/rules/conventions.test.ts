import fc from 'fast-check';
import { captionsArbitrary } from '../model/arbitrary.ts';
import { caption, type Caption } from '../model/caption.ts';
import { usualRate } from '../timing/clock/frames.ts';
import { misformedLabels, misformedNotes, misformedNumbers } from './conventions.ts';
import type { Finding, RuleContext } from './finding.ts';
import { findingsAt } from './findings.ts';
import { repairOf } from './repairs/repairs.ts';
import { plainStyle } from '../style/shipped.ts';
import type { HouseStyle, SoundNote, SpeakerLabel } from '../style/style.ts';

const c = (text: string, more: Partial<Caption> = {}): Caption =>
  caption({ id: 'a', start: 0, end: 6000, text, ...more });
const { text } = plainStyle;
const all: HouseStyle = {
  ...plainStyle,
  text: {
    ...text,
    ownLineAbove: { limit: 12, severity: 'should' },
    speakerLabels: { form: 'NAME:', severity: 'should' },
    soundNotes: { form: '[lower case]', severity: 'should' },
    hesitations: { are: 'removed', severity: 'should' },
    numerals: { from: 11, severity: 'should' },
  },
};
const context: RuleContext = { style: all, rate: usualRate, length: null, language: 'en' };
const conventions = new Set([
  'doubled-word',
  'no-capital',
  'hesitation',
  'numeral',
  'sound-note',
  'speaker-label',
  'own-line',
]);
const found = (of: Caption): readonly Finding[] => findingsAt([of], 0, context).filter((f) => conventions.has(f.rule));

describe('sound notes', () => {
  it.each<[string, SoundNote, string | null]>([
    ['[bell rings]', '[lower case]', null],
    ['[Bell rings]', '[lower case]', '[bell rings]'],
    ['[BELL RINGS]', '[lower case]', '[bell rings]'],
    ['(bell rings)', '[lower case]', '[bell rings]'],
    ['[bell rings]', '(UPPER CASE)', '(BELL RINGS)'],
    ['[bell at Tollen rings]', '[Sentence case]', '[Bell at Tollen rings]'],
    ['[門が開く]', '[UPPER CASE]', null],
    ['♪ ♪', '[lower case]', null],
    ['Two (or three) boats', '[lower case]', null],
    ['[bell rings', '[lower case]', null],
  ])('%s under %s', (note, form, wanted) => {
    expect(misformedNotes(c(note), form)[0]?.wanted ?? null).toBe(wanted);
  });

  it('leave a label in brackets to the rule for labels', () => {
    const labelled = c('[Keeper] Wait.', { speakers: [{ from: 0, to: 14, speaker: 'Keeper', label: 9 }] });
    expect(misformedNotes(labelled, '(lower case)')).toEqual([]);
    expect(misformedLabels(labelled, 'NAME:')[0]).toMatchObject({ is: '[Keeper]', wanted: 'KEEPER:' });
  });
});

it.each<[string, SpeakerLabel, string | null]>([
  ['KEEPER: Wait.', 'NAME:', null],
  ['KEEPER: Wait.', 'Name:', 'Keeper:'],
  ['LOCK KEEPER: Wait.', '[Name]', '[Lock Keeper]'],
  ['- KEEPER: Wait.', 'Name:', 'Keeper:'],
  ['Remember: wait.', 'NAME:', null],
])('labels: %s under %s', (said, form, wanted) => {
  expect(misformedLabels(c(said), form)[0]?.wanted ?? null).toBe(wanted);
});

describe('numbers', () => {
  // Common practice: words below the figure, digits from it on; names, measures and times stay in digits.
  it.each<[string, string[]]>([
    ['We let 3 boats in.', ['three']],
    ['We let twelve boats in.', ['12']],
    ['We let forty-two boats in.', ['42']],
    ['We let ten boats and 12 rafts in.', []],
    ['Lock 3 is 5 m deep, at 4:30, by 7%.', []],
    ['On page 7 it says 2.5 or 1,000.', []],
    ['Twelve boats. Fifteen more.', []],
    ['5 boats', ['Five']],
    ['one hundred and twelve boats', []],
    ['twelve thousand boats', []],
    ['the 1990s, B2, £5, 007', []],
  ])('%s', (said, wanted) => expect(misformedNumbers(said, 11, 'en-GB').map((m) => m.wanted)).toEqual(wanted));

  it('are left alone in a language whose numbers are not known', () =>
    expect(misformedNumbers('3 Boote', 11, 'de')).toEqual([]));
});

describe('repairs', () => {
  const mended = (of: Caption): string | undefined => {
    const [finding] = found(of);
    return (
      finding &&
      repairOf([of], 0, finding, context, () => 'x')
        .repair?.after.map((x) => x.text)
        .join(' | ')
    );
  };
  it.each([
    ['Um, we wait.', 'We wait.'],
    ['We wait and, um, then we open.', 'We wait and then we open.'],
    ['So uh we wait, er.', 'So we wait.'],
    ['We um\nwait.', 'We wait.'],
    ['Erm.', ''],
    ['[BELL] Wait.', '[bell] Wait.'],
    [
      'Shut the\nthe lower gate and wait until it is level with it.',
      'Shut the\nlower gate and wait until it is level with it.',
    ],
    ['It is level. we open.', 'It is level. We open.'],
    ['We let 3 boats in.', 'We let three boats in.'],
  ])('%j becomes %j', (before, after) => expect(mended(c(before))).toBe(after));

  it('keep who speaks, and which characters are the label', () => {
    const named = c('Keeper: Wait here.', { speakers: [{ from: 0, to: 18, speaker: 'Keeper', label: 8 }] });
    const [finding] = found(named);
    const after = finding && repairOf([named], 0, finding, context, () => 'x').repair?.after[0];
    expect(after?.text).toBe('KEEPER: Wait here.');
    expect(after?.speakers).toEqual([{ from: 0, to: 18, speaker: 'Keeper', label: 8 }]);
  });

  it('break sentences that share a line onto lines of their own', () =>
    expect(mended(c('We wait until it is level. Then we open.'))).toBe('We wait until it is level.\nThen we open.'));
});

it('never throws, whatever a caption holds', () => {
  fc.assert(
    fc.property(captionsArbitrary, fc.string({ unit: 'binary' }), (captions, anything) => {
      for (const of of [...captions, c(anything)]) expect(Array.isArray(found(of))).toBe(true);
    }),
  );
});

describe('changes of speaker', () => {
  const said = (speaker: string, of: string, label = 0): Caption =>
    c(of, { speakers: [{ from: 0, to: of.length, speaker, label }] });
  const rulesOf = (...row: readonly Caption[]): readonly string[] =>
    findingsAt(row, row.length - 1, context).map((f) => f.rule);

  it.each<[string, Caption, Caption, boolean]>([
    ['the same speaker goes on', said('Trainer', 'Wait.'), said('Trainer', 'Now go.'), false],
    ['somebody else, and nothing says so', said('Trainer', 'Wait.'), said('Keeper', 'Now go.'), true],
    ['somebody else with a label', said('Trainer', 'Wait.'), said('Keeper', 'KEEPER: Now go.', 8), false],
    ['with what looks like a label', said('Trainer', 'Wait.'), said('Keeper', 'KEEPER: Now go.'), false],
    ['with a dash', said('Trainer', 'Wait.'), said('Keeper', '- Now go.'), false],
    ['after somebody unknown', c('Wait.'), said('Keeper', 'Now go.'), false],
    ['nobody in particular', said('Trainer', 'Wait.'), said('', 'Now go.'), false],
  ])('%s', (_, before, here, isFound) => {
    expect(rulesOf(before, here).includes('speaker-change')).toBe(isFound);
  });

  it('are marked inside a caption on a line of their own', () => {
    const both = c('Ready? Not yet.', {
      speakers: [
        { from: 0, to: 6, speaker: 'Trainer', label: 0 },
        { from: 7, to: 15, speaker: 'Lock keeper', label: 0 },
      ],
      words: [
        [0, 6, 0, 500, 1, 'recogniser', 'ready'],
        [7, 10, 600, 900, 1, 'recogniser', 'not'],
        [11, 15, 900, 1200, 1, 'recogniser', 'yet'],
      ],
    });
    const [finding] = findingsAt([both], 0, context).filter((f) => f.rule === 'speaker-change');
    if (!finding) throw new Error('The change is not found.');
    const { repair } = repairOf([both], 0, finding, context, () => 'new');
    const [after] = repair?.after ?? [];
    expect(after?.text).toBe('Ready?\nLOCK KEEPER: Not yet.');
    expect(after?.speakers[1]).toEqual({ from: 7, to: 28, speaker: 'Lock keeper', label: 13 });
    expect(after?.words.map((w) => after.text.slice(w[0], w[1]))).toContain('yet.');
    expect(findingsAt(after ? [after] : [], 0, context).map((f) => f.rule)).not.toContain('speaker-change');
  });
});

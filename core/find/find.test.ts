import fc from 'fast-check';
import { captionsArbitrary } from '../model/arbitrary.ts';
import { caption, type Caption } from '../model/caption.ts';
import { apply } from '../model/apply.ts';
import { isStillThere, correctedBefore, correctionOf, sameElsewhere } from './corrections.ts';
import { compile, type Query } from './query.ts';
import { matchesIn, replaceAll } from './replace.ts';

const plain = { matchCase: false, wholeWords: false, pattern: false };
const query = (text: string, more: Partial<Query> = {}): Query => ({ text, ...plain, ...more });
const c = (text: string, more: Partial<Caption> = {}): Caption =>
  caption({ id: text, start: 0, end: 1000, text, ...more });

function found(of: string, asked: Query): string[] {
  const { seek, fault } = compile(asked);
  if (!seek) throw new Error(fault ?? 'Nothing is asked for.');
  return seek(of).map(({ from, to }) => of.slice(from, to));
}
function replaced(of: Caption, asked: Query, by: string): Caption {
  const { seek } = compile(asked);
  const edit = seek ? replaceAll([of], matchesIn(of, seek), by, asked.pattern) : null;
  return (edit ? apply([of], edit).captions[0] : of) ?? of;
}

describe('finding', () => {
  it.each<[string, string, Query, string[]]>([
    ['either case', 'The gate, the Gate', query('gate'), ['gate', 'Gate']],
    ['one case', 'The gate, the Gate', query('Gate', { matchCase: true }), ['Gate']],
    ['parts of words', 'gates and a gate', query('gate'), ['gate', 'gate']],
    ['whole words', 'gates and a gate', query('gate', { wholeWords: true }), ['gate']],
    [
      'whole words beside signs',
      '“gate,” (gate) gate-keeper',
      query('gate', { wholeWords: true }),
      ['gate', 'gate', 'gate'],
    ],
    ['whole words beside accents', 'séance, se ance', query('se', { wholeWords: true }), ['se']],
    ['letters beyond the basic plane', '𝒂gate gate', query('gate', { wholeWords: true }), ['gate']],
    ['across a line break', 'the key\nprojects', query('key projects'), ['key\nprojects']],
    ['signs of patterns as they stand', 'is it (1.5)? 1x5', query('(1.5)?'), ['(1.5)?']],
    ['case of other scripts', 'ШЛЮЗ и шлюз', query('шлюз'), ['ШЛЮЗ', 'шлюз']],
    ['without case', 'ボートは閘門', query('閘門'), ['閘門']],
    ['a pattern', 'gate 12, gate 7', query(String.raw`gate (\d+)`, { pattern: true }), ['gate 12', 'gate 7']],
    ['a pattern at line ends', 'one\ntwo', query('[a-z]$', { pattern: true }), ['e', 'o']],
    ['a pattern that fits nothing at all', 'abc', query('x*', { pattern: true }), []],
  ])('%s', (_, of, asked, expected) => expect(found(of, asked)).toEqual(expected));

  it('says why a pattern cannot be read', () => {
    expect(compile(query('(gate', { pattern: true })).fault).toMatch(/^This pattern cannot be read: .*\.$/);
    expect(compile(query('x'.repeat(1001), { pattern: true })).fault).toContain('1000 characters');
    expect(compile(query(' '))).toEqual({ seek: null, fault: null });
  });

  it('takes no longer for a pattern that would run away elsewhere', () => {
    // The usual example of a pattern that takes an engine with backtracking longer than anybody lives.
    expect(found(`${'a'.repeat(3000)}!`, query('(a+)+$', { pattern: true }))).toEqual([]);
    expect(found('a'.repeat(3000), query('(a|aa)+$', { pattern: true }))).toHaveLength(1);
  });

  it('finds what indexOf finds, in any captions', () => {
    fc.assert(
      fc.property(captionsArbitrary, fc.stringMatching(/^[a-z]{1,3}$/), (captions, text) => {
        for (const of of captions) {
          const expected: number[] = [];
          for (let at = of.text.indexOf(text); at >= 0; at = of.text.indexOf(text, at + text.length)) expected.push(at);
          const { seek } = compile(query(text, { matchCase: true }));
          expect(seek?.(of.text).map((m) => m.from)).toEqual(expected);
        }
      }),
    );
  });
});

describe('replacing', () => {
  it.each<[string, string, Query, string, string]>([
    ['a word', 'the talon reach', query('talon'), 'Tollen', 'the Tollen reach'],
    ['every place', 'red, red', query('red'), 'reed', 'reed, reed'],
    [
      'across a break, which stays in its gap',
      'the key\nprojects at',
      query('key projects'),
      'keeper checks',
      'the keeper\nchecks at',
    ],
    ['two words by one: the break goes after it', 'the tal\non gate', query('tal on'), 'Tollen', 'the Tollen\ngate'],
    [
      'by a pattern’s parts',
      'gate 12',
      query(String.raw`gate (\d+)`, { pattern: true }),
      'lock $1, $$2',
      'lock 12, $2',
    ],
    ['dollars as they stand outside patterns', 'ten', query('ten'), '$10', '$10'],
  ])('%s', (_, text, asked, by, expected) => expect(replaced(c(text), asked, by).text).toBe(expected));

  it('keeps the time of a word that is replaced, and of those beside it', () => {
    const timed = c('the talon reach', {
      words: [
        [0, 3, 0, 100, 1, 'recogniser', 'the'],
        [4, 9, 100, 400, 0.1, 'recogniser', 'talon'],
        [10, 15, 400, 700, 1, 'recogniser', 'reach'],
      ],
    });
    const { text, words } = replaced(timed, query('talon'), 'Tollen');
    expect(words.map((w) => [text.slice(w[0], w[1]), w[2], w[3]])).toEqual([
      ['the', 0, 100],
      ['Tollen', 100, 400],
      ['reach', 400, 700],
    ]);
  });

  it('is one step that can be taken back, in any captions', () => {
    fc.assert(
      fc.property(
        captionsArbitrary,
        fc.stringMatching(/^[a-z]{1,2}$/),
        fc.string({ maxLength: 3 }),
        (captions, text, by) => {
          const { seek } = compile(query(text));
          const insert = by.replace(/\r/g, '');
          const edit = seek
            ? replaceAll(
                captions,
                captions.flatMap((of) => matchesIn(of, seek)),
                insert,
                false,
              )
            : null;
          if (!edit) return;
          const done = apply(captions, edit);
          expect(apply(done.captions, done.inverse).captions).toEqual(captions);
        },
      ),
    );
  });
});

describe('the same mistake elsewhere', () => {
  it.each<[string, string, string, { was: string; now: string } | null]>([
    ['a word', 'at the talon reach', 'at the Tollen reach', { was: 'talon', now: 'Tollen' }],
    ['two words by two', 'the key projects at', 'the keeper checks at', { was: 'key projects', now: 'keeper checks' }],
    ['one by two', 'the flight', 'the fly tip', { was: 'flight', now: 'fly tip' }],
    ['with punctuation put in', 'at the talon reach', 'At the Tollen reach,', { was: 'talon', now: 'Tollen' }],
    ['capitals alone', 'the gate', 'The gate.', null],
    ['a small word', 'on the gate', 'in the gate', null],
    ['words put in', 'the gate', 'the lower gate', null],
    ['a sentence rewritten', 'if the lantern is read you wait', 'nobody moves until we say it is so', null],
  ])('%s', (_, before, after, expected) => expect(correctionOf(before, after, 'en')).toEqual(expected));

  it('is looked for in what nobody has proofed', () => {
    const row = [c('Tollen gate'), c('the Talon,\nreach'), c('talons'), c('talon', { proofed: true }), c('a talon')];
    const places = sameElsewhere(row, { was: 'talon', now: 'Tollen' }, 'Tollen gate');
    expect(places.map((p) => p.caption)).toEqual(['the Talon,\nreach', 'a talon']);
  });

  it('is looked for in the mended caption too, but never in what was just written there', () => {
    const twice = [c('from Tollen to talon')];
    expect(sameElsewhere(twice, { was: 'talon', now: 'Tollen' }, twice[0]?.id ?? '')).toMatchObject([
      { from: 15, to: 20 },
    ]);
    const longer = [c('from the talon flight')];
    expect(sameElsewhere(longer, { was: 'talon', now: 'the Talon flight' }, longer[0]?.id ?? '')).toEqual([]);
  });

  it('stands for as long as its words do, whole', () => {
    const correction = { was: 'land', now: 'lamp' };
    expect(isStillThere(correction, c('why is the Lamp, though'))).toBe(true);
    expect(isStillThere(correction, c('why is the land'))).toBe(false);
    expect(isStillThere(correction, c('why are the lamps'))).toBe(false);
  });

  it('is remembered by what became of a word, the most usual first', () => {
    const mended = (text: string, first: string) =>
      c(text, { id: text, words: [[0, text.length, 0, 100, 0.1, 'recogniser', first]] });
    const row = [
      mended('talent', 'talon'),
      mended('Tollen,', 'talon'),
      mended('Talon', 'talon'),
      mended('Tollen', 'Talon'),
    ];
    expect(correctedBefore(row, 'talon')).toEqual(['Tollen', 'talent']);
    expect(correctedBefore(row, 'gate')).toEqual([]);
  });
});

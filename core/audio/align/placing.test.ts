import { readFileSync } from 'node:fs';
import { dictionaryOf, rulesFile } from '../../../scripts/letters-lesson.ts';
import type { LetterRules } from '../phones/letters.ts';
import { modelFor } from '../phones/models.ts';
import { pronouncer } from '../phones/pronounce.ts';
import { soundsOf } from '../phones/sounds.ts';
import type { Stretch } from '../regions.ts';
import { caption, type Caption, type WordRange } from '../../model/caption.ts';
import { chained } from './anchors.ts';
import { runsIn } from './evidence.ts';
import { gapsBetween } from './fills.ts';
import type { PlacedWord } from './grammars.ts';
import { groupsOf } from './groups.ts';
import { listeningParts } from './listen.ts';
import { placedTrack } from './placed-track.ts';
import { placesOf } from './placement.ts';
import { scriptOf } from './words-to-place.ts';

const model = modelFor('en');
if (!model) throw new Error('English has a model.');
const { rules } = JSON.parse(readFileSync(rulesFile(model.model), 'utf8')) as { readonly rules: LetterRules };
const pronounce = pronouncer(soundsOf(model, readFileSync(dictionaryOf(model.model), 'utf8'), rules));

const line = (id: string, start: number, text: string) => caption({ id, start, end: start + 2000, text });
/** Four captions of three words, 3 s apart. */
const captions = [
  line('a', 0, 'open the gate'),
  line('b', 3000, 'close the paddle'),
  line('c', 6000, 'watch the water'),
  line('d', 9000, 'sound the horn'),
];
const script = scriptOf(captions, 'en', pronounce);
/** A word heard at a time, 300 ms long. */
const at = (word: number, start: number, score = -10): PlacedWord => ({ word, start, end: start + 300, score });
/** All of a caption’s words from a time on. */
const heard = (n: number, start: number): PlacedWord[] => [0, 1, 2].map((k) => at(n * 3 + k, start + k * 400));

describe('groups of speech', () => {
  it('are 4 to 12 s where pauses let them be, and hold all of it', () => {
    const speech = Array.from({ length: 60 }, (_, i) => ({ start: i * 3000, end: i * 3000 + 2400 }));
    const groups = groupsOf(speech, 180_000);
    for (const g of groups) expect(g.end - g.start).toBeLessThan(13_000);
    for (const s of speech) expect(groups.some((g) => g.start <= s.start && g.end >= s.end)).toBe(true);
  });
  it('are cut where nobody ever pauses', () => {
    const groups = groupsOf([{ start: 0, end: 60_000 }], 60_000);
    expect(groups.length).toBeGreaterThan(1);
    expect([groups[0]?.start, groups.at(-1)?.end]).toEqual([0, 60_000]);
  });
  it('are shared among workers, each of whom knows about where to begin', () => {
    const speech = Array.from({ length: 40 }, (_, i) => ({ start: i * 6000, end: i * 6000 + 5000 }));
    const parts = listeningParts(speech, 240_000, 800, 2);
    expect(parts.map((p) => p.groups.length)).toEqual([21, 19]);
    expect(parts.map((p) => p.next)).toEqual([null, 420]);
  });
});

describe('what was heard', () => {
  it('is in runs of words that follow one another, with one left out at most', () => {
    const words = [at(0, 0), at(1, 400), at(3, 800), at(9, 1200), at(10, 1600)];
    expect(runsIn(words, 3).map((r) => r.map((p) => p.word))).toEqual([[0, 1, 3]]);
  });
  it('is chained where time and words go together: a run out of order goes', () => {
    const runs = [heard(0, 1000), heard(3, 2500), heard(1, 4000), heard(2, 7000), heard(3, 10_000)];
    expect(chained(runs, { script }).map((p) => p.start)).toEqual([
      1000, 1400, 1800, 4000, 4400, 4800, 7000, 7400, 7800, 10_000, 10_400, 10_800,
    ]);
  });
  it('leaves gaps that are filled where there is speech enough for them, and no others', () => {
    const speech = [0, 3000, 6000, 9000].map((start) => ({ start, end: start + 1200 }));
    const anchors = [...heard(0, 0), ...heard(2, 6000), ...heard(3, 9000)];
    expect(gapsBetween(anchors, { script }, speech, 12_000)).toMatchObject([{ from: 3, to: 6 }]);
    const silent = speech.filter((s) => s.start !== 3000);
    expect(gapsBetween(anchors, { script }, silent, 12_000)).toEqual([]);
  });
});

describe('captions', () => {
  const speech = [20_020, 23_020, 26_020, 29_020].map((start) => ({ start, end: start + 1150 }));
  const all = [...heard(0, 20_000), ...heard(1, 23_000), ...heard(2, 26_000), ...heard(3, 29_000)];

  it('begin with their speech', () => {
    const places = placesOf(captions, script, all, speech);
    expect(places.map((p) => [p.start, p.how])).toEqual([
      [20_020, 'certain'],
      [23_020, 'certain'],
      [26_020, 'certain'],
      [29_020, 'certain'],
    ]);
  });
  it('that were not heard, and notes, go with neighbours that moved alike', () => {
    const noted = [...captions.slice(0, 2), line('n', 5400, '[horn]'), ...captions.slice(2)];
    const places = placesOf(noted, scriptOf(noted, 'en', pronounce), all, speech);
    expect(places[2]).toMatchObject({ how: 'with neighbours', start: 25_420 });
  });
  it('stay where neighbours do not agree, or where there are none', () => {
    const jumps = [...heard(0, 20_000), ...heard(1, 23_000), ...heard(3, 69_000)];
    expect(placesOf(captions, script, jumps, [])[2]).toMatchObject({ how: 'left', start: 6000 });
    expect(placesOf(captions, script, [], []).every((p) => p.how === 'left')).toBe(true);
  });
  it('that move otherwise than all around them were heard wrong', () => {
    const more = [...captions, line('e', 12_000, 'hold the rope')];
    const odd = [
      ...heard(0, 20_000),
      ...heard(1, 23_000),
      ...heard(2, 27_400),
      ...heard(3, 29_000),
      ...heard(4, 32_000),
    ];
    expect(placesOf(more, scriptOf(more, 'en', pronounce), odd, [])[2]).toMatchObject({
      how: 'with neighbours',
      start: 26_000,
    });
  });
  it('keep their order, their words’ times and, where the next leaves room, their length', () => {
    const places = placesOf(captions, script, all, speech);
    const { captions: placed, moved, left } = placedTrack(captions, script, places, 80);
    expect(placed.map((c) => [c.start, c.end])).toEqual([
      [20_020, 22_020],
      [23_020, 25_020],
      [26_020, 28_020],
      [29_020, 31_020],
    ]);
    expect(placed[1]?.words.map((w) => [w[2], w[5], w[6]])).toEqual([
      [23_000, 'aligned', 'close'],
      [23_400, 'aligned', 'the'],
      [23_800, 'aligned', 'paddle'],
    ]);
    expect([moved.length, left.length]).toEqual([4, 0]);
  });
  it('keep what a recogniser was unsure of: its own mistakes sound like what was said', () => {
    const draft = captions.map((c) => ({
      ...c,
      words: [[0, 4, c.start, c.start + 300, 0.1, 'recogniser', c.text.slice(0, 4)] as WordRange],
    }));
    const { captions: placed } = placedTrack(draft, script, placesOf(captions, script, all, speech), 80);
    expect(placed[0]?.words.map((w) => [w[2], w[4], w[5]])).toEqual([
      [20_000, 0.1, 'recogniser'],
      [20_400, 0.95, 'aligned'],
      [20_800, 0.95, 'aligned'],
    ]);
  });
  it('have words without certainty where those were not heard; labels and notes are nobody’s to hear', () => {
    const labelled = [{ ...captions[0], text: 'open [horn] the gate' }, ...captions.slice(1)] as Caption[];
    const said = scriptOf(labelled, 'en', pronounce);
    const heardBut = all.filter((p) => p.word !== 1);
    const { captions: placed } = placedTrack(labelled, said, placesOf(labelled, said, heardBut, speech), 80);
    expect(placed[0]?.words.map((w) => [w[6], w[4]])).toEqual([
      ['open', 0.95],
      ['[horn]', 1],
      ['the', 0],
      ['gate', 0.95],
    ]);
  });
  it('that go with neighbours take the times of their words along; without any they are all unheard', () => {
    const timed = captions.map((c, i) =>
      i === 2 ? { ...c, words: [[0, 5, 6100, 6500, 0.9, 'recogniser', 'watch'] as WordRange] } : c,
    );
    const sure = all.filter((p) => p.word < 6 || p.word > 8);
    const with2 = (track: readonly Caption[]) =>
      placedTrack(track, script, placesOf(track, script, sure, []), 80).captions[2]?.words ?? [];
    expect(with2(timed).map((w) => [w[2], w[4], w[5]])).toEqual([[26_100, 0.9, 'guessed']]);
    expect(with2(captions).map((w) => w[4])).toEqual([0, 0, 0]);
    // Heard another time, they are the recogniser’s again.
    const once = placedTrack(timed, script, placesOf(timed, script, sure, []), 80).captions;
    const again = placedTrack(once, script, placesOf(once, script, all, []), 80).captions;
    expect(again[2]?.words[0]?.slice(4)).toEqual([0.9, 'recogniser', 'watch']);
  });
  it('that stay never stand out of order', () => {
    const jumps = [...heard(0, 20_000), ...heard(1, 23_000), ...heard(3, 69_000)];
    const { captions: placed, left } = placedTrack(captions, script, placesOf(captions, script, jumps, []), 80);
    expect(left).toEqual([]);
    expect(placed.map((c) => c.start)).toEqual([...placed.map((c) => c.start)].sort((a, b) => a - b));
    // It had times, and keeps some.
    expect(placed[2]?.timing).toBe('set');
    expect(placed[2]?.words.map((w) => w[4])).toEqual([0, 0, 0]);
  });
  it('that never had times share what is between two that are sure', () => {
    const bare = captions.map((c) => ({ ...c, timing: 'provisional' as const }));
    const places = placesOf(bare, script, [...heard(0, 20_000), ...heard(3, 29_000)], []);
    expect(places.map((p) => p.how)).toEqual(['certain', 'with neighbours', 'with neighbours', 'certain']);
    expect(places[1]?.start).toBe(21_100);
  });
  it('that never had times begin where whoever typed them noted it, where that is right for those around them', () => {
    const notedAt = (starts: readonly number[], speech: readonly Stretch[] = []) => {
      const typed = captions.map((c, i) => ({ ...c, start: starts[i] ?? 0, timing: 'provisional' as const }));
      const places = placesOf(typed, script, [...heard(0, 20_000), ...heard(3, 29_000)], speech);
      return places.map((p) => p.start);
    };
    // A second late, as whoever types is.
    expect(notedAt([21_000, 22_500, 27_500, 30_000])).toEqual([20_000, 21_500, 26_500, 29_000]);
    // With the speech that begins near it, where each has its own.
    const speech = [20_000, 21_900, 26_200].map((start) => ({ start, end: start + 1000 }));
    expect(notedAt([21_000, 22_500, 27_500, 30_000], speech).slice(1, 3)).toEqual([21_900, 26_200]);
    expect(notedAt([21_000, 22_500, 23_500, 30_000], speech).slice(1, 3)).toEqual([21_500, 22_500]);
    // Times that only keep an order, and a note that cannot be.
    expect(notedAt([0, 2000, 4000, 6000])).toEqual([20_000, 21_100, 25_170, 29_000]);
    expect(notedAt([21_000, 27_500, 22_500, 30_000])).toEqual([20_000, 21_100, 25_170, 29_000]);
  });
});

import { readFileSync } from 'node:fs';
import { dictionaryOf, lessonOf, rulesFile } from '../../../scripts/letters-lesson.ts';
import { readDictionary } from './dictionary.ts';
import { phonesOfLetters, type LetterRules } from './letters.ts';
import { learnLetters } from './learn-letters.ts';
import { modelFor, modelNames, type ModelName } from './models.ts';
import { pronouncer } from './pronounce.ts';
import { soundsOf } from './sounds.ts';

const fileOf = (model: ModelName) =>
  JSON.parse(readFileSync(rulesFile(model), 'utf8')) as { readonly lesson: string; readonly rules: LetterRules };
function speaker(tag: string) {
  const model = modelFor(tag);
  if (!model) throw new Error(`There is no model for ${tag}.`);
  return soundsOf(model, readFileSync(dictionaryOf(model.model), 'utf8'), fileOf(model.model).rules);
}
const [english, french] = [speaker('en-GB'), speaker('fr')];

describe('rules of letters', () => {
  it.each(modelNames)('of %s are current', (model) => expect(fileOf(model).lesson).toBe(lessonOf(model)));

  it('are learnt from words, and say others like them', () => {
    const rules = learnLetters(
      readDictionary(
        ['bat B AE T', 'bad B AE D', 'tab T AE B', 'cat K AE T', 'cab K AE B', 'tad T AE D', 'box B AA K S'].join('\n'),
      ),
    );
    expect(phonesOfLetters('dab', rules)).toBe('D AE B');
    expect(phonesOfLetters('tax', rules)).toBe('T AE K S');
  });

  // Of words that are in the dictionary, how many phones are wrong where only the letters are looked at.
  it.each([
    ['en-us', english, 0.15],
    ['fr-fr', french, 0.1],
  ] as const)('of %s get most phones right', (_, { dictionary, rules }, most) => {
    let [wrong, all] = [0, 0];
    [...dictionary].forEach(([word, ways], i) => {
      if (i % 97 !== 0 || !/^\p{L}+$/u.test(word)) return;
      const said = phonesOfLetters(word, rules).split(' ');
      const nearest = ways.map((way) => ({ way: way.split(' '), apart: distance(said, way.split(' ')) }));
      const best = nearest.reduce((a, b) => (b.apart < a.apart ? b : a));
      wrong += best.apart;
      all += best.way.length;
    });
    expect(wrong / all).toBeLessThan(most);
  });
});

function distance(a: readonly string[], b: readonly string[]): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  a.forEach((x, i) => {
    const next = [i + 1];
    b.forEach((y, j) =>
      next.push(Math.min((row[j] ?? 0) + (x === y ? 0 : 1), (row[j + 1] ?? 0) + 1, (next[j] ?? 0) + 1)),
    );
    row = next;
  });
  return row.at(-1) ?? 0;
}

describe('a word', () => {
  const { waysOf } = pronouncer(english, [{ word: 'Tollen', pronunciation: 'toll en' }, { word: 'Reach' }]);
  it('is said as the dictionary has it, in all its ways', () =>
    expect(waysOf('read')).toEqual(expect.arrayContaining(['R EH D', 'R IY D'])));
  it('is said as a list of one’s own has it', () => expect(waysOf('tollen')[0]).toMatch(/^T .* L /));
  it.each([
    ["keeper's", /Z$/],
    ["lock's", /K S$/],
    ["bridge's", /IH Z$/],
  ])('%s ends as it is said', (word, end) => expect(waysOf(word)[0]).toMatch(end));
  it('is said by its parts, or its letters, where it is in no dictionary', () => {
    expect(waysOf('lock-keeper')[0]).toBe(`${waysOf('lock')[0] ?? ''} ${waysOf('keeper')[0] ?? ''}`);
    expect(waysOf('windlasser')[0]).toMatch(/^W IH N D L/);
    expect(waysOf('шлюз')).toEqual([]);
  });
  it('of French is said with what is written onto it', () => {
    const { waysOf: said } = pronouncer(french);
    expect(said("l'écluse")[0]).toBe(`ll ${said('écluse')[0] ?? ''}`);
  });
});

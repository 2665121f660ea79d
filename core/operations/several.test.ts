import { usualRate } from '../timing/clock/frames.ts';
import { caption, type Caption } from '../model/caption.ts';
import { apply } from '../model/apply.ts';
import type { Edit } from '../model/edits.ts';
import type { RuleContext } from '../rules/finding.ts';
import { joinedAll, labelled, shifted } from './several.ts';
import { plainStyle } from '../style/shipped.ts';

const context: RuleContext = { style: plainStyle, rate: usualRate, length: null, language: 'en' };
const row = ['Wait here.', 'KEEPER: Now go.', 'Slowly.'].map((text, i) =>
  caption({ id: `c${String(i)}`, start: 1000 + i * 3000, end: 3000 + i * 3000, text }),
);
const after = (edit: Edit | null, of: readonly Caption[] = row): readonly Caption[] =>
  edit ? apply(of, edit).captions : of;

describe('several captions', () => {
  it('are shifted together, and never before the beginning', () => {
    expect(after(shifted(row, 250)).map((c) => c.start)).toEqual([1250, 4250, 7250]);
    expect(after(shifted(row, -5000)).map((c) => c.start)).toEqual([0, 3000, 6000]);
    expect(shifted(row, 0)).toBeNull();
    expect(shifted([], 100)).toBeNull();
  });

  it('are shifted by the thousand in one step', () => {
    const many = Array.from({ length: 2000 }, (_, i) =>
      caption({ id: String(i), start: i * 1000, end: i * 1000 + 900, text: 'x' }),
    );
    const edit = shifted(many, 40);
    const done = apply(many, edit ?? { type: 'together', edits: [] });
    expect(done.captions.at(-1)?.start).toBe(1_999_040);
    expect(apply(done.captions, done.inverse).captions).toEqual(many);
  });

  it('are joined into one that spans them all', () => {
    const [whole, ...rest] = after(joinedAll(row.slice(0, 2), context));
    expect([whole?.text.replace('\n', ' '), whole?.start, whole?.end]).toEqual([
      'Wait here. KEEPER: Now go.',
      1000,
      6000,
    ]);
    expect(rest).toEqual([row[2]]);
    expect(joinedAll(row.slice(0, 1), context)).toBeNull();
  });

  it('get one label, on the first of them, in place of one that was there', () => {
    const done = after(labelled(row.slice(1), 'Lock keeper', context));
    expect(done.map((c) => c.text)).toEqual(['Wait here.', 'LOCK KEEPER: Now go.', 'Slowly.']);
    expect(done.slice(1).map((c) => c.speakers)).toEqual([
      [{ from: 0, to: 20, speaker: 'Lock keeper', label: 13 }],
      [{ from: 0, to: 7, speaker: 'Lock keeper', label: 0 }],
    ]);
    const gone = after(labelled(done.slice(1), '', context), done);
    expect(gone.map((c) => [c.text, c.speakers.length])).toEqual([
      ['Wait here.', 0],
      ['Now go.', 0],
      ['Slowly.', 0],
    ]);
  });
});

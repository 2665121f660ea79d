import { readFileSync, statSync } from 'node:fs';
import { readCtm } from '../core/formats/ctm/ctm.ts';

interface Truth {
  length: number;
  sentences: { text: string; start: number; end: number; speaker: string; wordStarts: number[] | null }[];
  sounds: { note: string; start: number; end: number }[];
}

describe.each([
  ['lock-after-dark', 'recording.webm', 2, 140_000],
  ['fog-signals', 'recording.webm', 1, 24_000],
  ['keepers-round', 'recording.ogg', 2, 690_000],
])('%s', (name, recording, voices, least) => {
  const folder = `demo/recordings/${name}`;
  const draft = readCtm(readFileSync(`${folder}/machine-draft.ctm`, 'utf8'));
  const truth = JSON.parse(readFileSync(`${folder}/true-script.json`, 'utf8')) as Truth;

  it('ships a recording small enough to be cloned', () => {
    expect(statSync(`${folder}/${recording}`).size).toBeLessThan(4_000_000);
  });

  it('places sentences and sounds in order, inside the recording, without two at once', () => {
    const all = [...truth.sentences, ...truth.sounds].sort((a, b) => a.start - b.start);
    all.forEach((part, i) => {
      expect(part.end).toBeGreaterThan(part.start);
      expect(part.end).toBeLessThanOrEqual(all[i + 1]?.start ?? truth.length);
    });
    expect(new Set(truth.sentences.map((s) => s.speaker)).size).toBe(voices);
    expect(truth.length).toBeGreaterThan(least);
  });

  it('tells when each word begins, in order, inside its sentence', () => {
    for (const { text, start, end, wordStarts } of truth.sentences) {
      expect(wordStarts).toHaveLength(text.split(' ').length);
      [...(wordStarts ?? []), end].reduce((before, now) => {
        expect(now).toBeGreaterThan(before);
        return now;
      }, start - 1);
    }
  });

  it('has a machine draft of that very sound, mistakes and all', () => {
    const plain = (text: string): string[] => text.toLowerCase().match(/[a-z']+/g) ?? [];
    const said = truth.sentences.flatMap((s) => plain(s.text));
    const heard = draft.map((w) => w.text);
    expect(Math.abs(heard.length - said.length)).toBeLessThan(said.length * 0.2);
    expect(
      draft.every((w, i) => w.end <= truth.length + 50 && w.start >= (draft[i - 1]?.start ?? 0) && w.certainty > 0),
    ).toBe(true);
    // A word counts as heard where it was said when their times meet.
    const right = truth.sentences.reduce((n, s) => {
      const here = draft.filter((w) => w.start < s.end && w.end > s.start).map((w) => w.text);
      return n + plain(s.text).filter((word) => here.includes(word)).length;
    }, 0);
    expect(right / said.length).toBeGreaterThan(0.4);
    expect(right / said.length).toBeLessThan(0.98);
  });
});

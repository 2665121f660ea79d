/** A long made-up track for trying how the page bears it: `demo/long-track.ts` makes as many captions as are asked for. */
import { tokensOf } from '../core/text/tokens.ts';
import { caption, type Caption, type WordRange } from '../core/model/caption.ts';

/** What is said at Tollen Reach, as a recogniser would have it, with one word it always takes for another. */
const sentences = [
  'the lower gate is shut\nand the water begins to fall',
  'we wait until it stands as low\nas the river below the lock',
  'mind the edge it is wet tonight',
  'at the talon reach flight\nthe keeper checks both gates',
  'nobody opens a gate against\nthe water and nobody hurries it',
  'if the lantern is read you wait',
  'one long sound means that\na boat is coming up the talon reach',
];

/** How long a caption is on screen and how long it is quiet after it, in ms. */
const [shown, quiet] = [2600, 400];

/** Captions with word times and certainties; the same ones every time. */
export function longTrack(many: number): readonly Caption[] {
  return Array.from({ length: many }, (_, i) => {
    const text = sentences[(i * 5) % sentences.length] ?? '';
    const start = i * (shown + quiet);
    const words = tokensOf(text, 0, text.length);
    const each = shown / words.length;
    return caption({
      id: `long ${String(i)}`,
      start,
      end: start + shown,
      text,
      words: words.map((w, n): WordRange => {
        const heard = text.slice(w.from, w.to);
        const certainty = heard === 'talon' || heard === 'read' ? 0.1 : 0.9;
        return [
          w.from,
          w.to,
          Math.round(start + n * each),
          Math.round(start + (n + 1) * each),
          certainty,
          'recogniser',
          heard,
        ];
      }),
    });
  });
}

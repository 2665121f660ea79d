/** Listening for captions in workers, and where they belong after that. */
import type { PartHeard } from '../../../core/audio/align/anchors.ts';
import type { WordsToFill } from '../../../core/audio/align/fills.ts';
import type { PlacedWord } from '../../../core/audio/align/grammars.ts';
import { howManyParts, leastShare, listenWith, type Hearer, type Listening } from '../../../core/audio/align/listen.ts';
import { offsetsOf, type Offsets } from '../../../core/audio/align/offset.ts';
import { placedTrack } from '../../../core/audio/align/placed-track.ts';
import type { Certainty } from '../../../core/audio/align/caption-place.ts';
import { placesOf } from '../../../core/audio/align/placement.ts';
import type { Script } from '../../../core/audio/align/script.ts';
import type { Stretch } from '../../../core/audio/regions.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { workerClient, type WorkerClient } from '../../data/workers/worker-client.ts';
import type { PlacingAnswer, PlacingJob, PlacingQuestion } from './worker.ts';

/** Each holds a model of its own, of some forty megabytes. */
const mostWorkers = 4;

type Client = WorkerClient<PlacingQuestion, PlacingAnswer>;
const begin = (): Client => workerClient(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }));
const hearerIn = (client: Client, signal: AbortSignal): Hearer => ({
  anchors: (so, groups, progress) => client.ask({ so, groups }, { signal, progress }) as Promise<PartHeard>,
  fills: (gaps: readonly WordsToFill[], progress) =>
    client.ask({ gaps }, { signal, progress }) as Promise<readonly PlacedWord[]>,
});

/** A caption before and after. */
export interface PlacedRow {
  readonly before: Caption;
  readonly after: Caption;
  readonly how: Certainty;
  readonly moves: boolean;
}
/** What was found. */
export interface Placing {
  readonly rows: readonly PlacedRow[];
  readonly offsets: Offsets;
  readonly words: { readonly heard: number; readonly all: number };
}
export interface PlacingRequest extends Omit<PlacingJob, 'captions'> {
  readonly captions: readonly Caption[];
  readonly speech: readonly Stretch[];
  /** Of the recording, in ms. */
  readonly length: number;
  /** Smallest gap between captions, in ms. */
  readonly gap: number;
}

/**
 * Where captions belong; a sentence where words and sound do not match.
 * @throws {WorkerTrouble}
 */
export async function listenFor(
  { captions, speech, length, gap, ...where }: PlacingRequest,
  listening: Listening,
  signal: AbortSignal,
): Promise<Placing | { readonly trouble: string }> {
  const many = Math.max(1, Math.min(mostWorkers, howManyParts(speech), navigator.hardwareConcurrency));
  const clients = Array.from({ length: many }, begin);
  const job: PlacingJob = { ...where, captions: captions.map(({ text, speakers }) => ({ text, speakers })) };
  try {
    const [script] = (await Promise.all(clients.map((c) => c.ask({ begin: job }, { signal })))) as Script[];
    if (!script || script.words.length === 0) return { trouble: 'These captions hold no words that are said.' };
    const hearers = clients.map((c) => hearerIn(c, signal));
    const { placed, share } = await listenWith(hearers, script, speech, length, listening);
    if (share < leastShare)
      return {
        trouble: `The words and the sound do not match: ${String(Math.round(share * 100))} % of the words were heard. Nothing was moved. Are they from another recording, or in another language?`,
      };
    const places = placesOf(captions, script, placed, speech);
    const laid = placedTrack(captions, script, places, gap);
    const moved = new Set(laid.moved);
    return {
      rows: captions.flatMap((before, i) => {
        const [after, place] = [laid.captions[i], places[i]];
        return after && place ? [{ before, after, how: place.how, moves: moved.has(before.id) }] : [];
      }),
      offsets: offsetsOf(captions, places),
      words: { heard: placed.length, all: script.words.length },
    };
  } finally {
    for (const client of clients) client.end();
  }
}

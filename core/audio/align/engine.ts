/**
 * What a recogniser has to do for placing: hear a stretch of sound along a grammar and say when each word was said.
 * The engine itself is handed in; here is how the `soundswallower` package is driven, whose own calls know no grammar
 * with chances of one's own.
 */

/** From one state to another, with a word or without. A word-less arc is followed once, never two in a row. */
export interface Arc {
  readonly from: number;
  readonly to: number;
  /** 0 to 1. */
  readonly chance: number;
  /** A name that was given to {@link Engine.learn}; null for no word. */
  readonly word: string | null;
}
export interface Grammar {
  readonly states: number;
  readonly start: number;
  readonly end: number;
  readonly arcs: readonly Arc[];
}

/** A word that was heard; times in ms from the beginning of the samples. */
export interface EngineWord {
  readonly word: string;
  readonly start: number;
  readonly end: number;
  /** How well sound and word go together, over its frames: about -10 where they do, below -45 where they do not. */
  readonly score: number;
}
export interface Engine {
  /** Makes names known, each with the ways it is said; one that is known already stays as it is. */
  readonly learn: (words: Iterable<readonly [name: string, ways: readonly string[]]>) => void;
  /** @param samples 16 kHz, -1 to 1 @returns null where no way through the grammar was found */
  readonly hear: (samples: Float32Array, grammar: Grammar) => readonly EngineWord[] | null;
}
/** Samples in a second that engines are given. */
export const engineRate = 16_000;

/** What is used of the package: the calls of its module, and a decoder of it. */
export interface EngineModule {
  readonly HEAPU8: Uint8Array;
  readonly _malloc: (bytes: number) => number;
  readonly _free: (at: number) => void;
  readonly _logmath_log: (logmath: number, chance: number) => number;
  readonly _decoder_logmath: (decoder: number) => number;
  readonly _decoder_add_word: (decoder: number, word: number, phones: number, update: number) => number;
  readonly _decoder_set_fsg: (decoder: number, fsg: number) => number;
  readonly _fsg_model_init: (name: number, logmath: number, weight: number, states: number) => number;
  readonly _fsg_model_word_add: (fsg: number, word: number) => number;
  readonly _fsg_model_trans_add: (fsg: number, from: number, to: number, chance: number, word: number) => void;
  readonly _fsg_model_null_trans_add: (fsg: number, from: number, to: number, chance: number) => number;
  readonly _fsg_set_states: (fsg: number, start: number, end: number) => void;
}
export interface EngineDecoder {
  /** Where the decoder stands in the module's memory. */
  readonly cdecoder: number;
  readonly start: () => void;
  readonly stop: () => void;
  readonly process_audio: (samples: Float32Array, noSearch: boolean, whole: boolean) => number;
  readonly get_alignment: () => {
    readonly w?: readonly { readonly t: string; readonly b: number; readonly d: number; readonly p: number }[];
  };
}

/** Frames in a second, as both models have them. */
const frames = 100;
/** Fillers: silence, noise and the empty word. */
const filler = /^(?:<.*>|\[.*\]|\(NULL\))$/;

/** The recogniser behind the calls that aligning needs. */
export function engineOver(module: EngineModule, decoder: EngineDecoder): Engine {
  const known = new Set<string>();
  function withText<T>(text: string, use: (at: number) => T): T {
    const bytes = new TextEncoder().encode(`${text}\0`);
    const at = module._malloc(bytes.length);
    module.HEAPU8.set(bytes, at);
    try {
      return use(at);
    } finally {
      module._free(at);
    }
  }
  return {
    learn(words) {
      for (const [name, ways] of words) {
        if (known.has(name)) continue;
        known.add(name);
        ways.forEach((phones, i) => {
          const written = i === 0 ? name : `${name}(${String(i + 1)})`;
          withText(written, (word) =>
            withText(phones, (said) => module._decoder_add_word(decoder.cdecoder, word, said, 0)),
          );
        });
      }
    },
    hear(samples, grammar) {
      const logmath = module._decoder_logmath(decoder.cdecoder);
      const fsg = withText('way', (name) => module._fsg_model_init(name, logmath, 1, grammar.states));
      const words = new Map<string, number>();
      for (const { from, to, chance, word } of grammar.arcs) {
        const cost = module._logmath_log(logmath, chance);
        if (word === null) {
          module._fsg_model_null_trans_add(fsg, from, to, cost);
          continue;
        }
        const number = words.get(word) ?? withText(word, (at) => module._fsg_model_word_add(fsg, at));
        words.set(word, number);
        module._fsg_model_trans_add(fsg, from, to, cost, number);
      }
      module._fsg_set_states(fsg, grammar.start, grammar.end);
      if (module._decoder_set_fsg(decoder.cdecoder, fsg) < 0) return null;
      decoder.start();
      decoder.process_audio(samples, false, true);
      decoder.stop();
      const heard = decoder.get_alignment().w ?? [];
      return heard.length === 0
        ? null
        : heard
            .filter(({ t }) => !filler.test(t))
            .map(({ t, b, d, p }) => ({
              word: t.replace(/\(\d+\)$/, ''),
              start: Math.round(b * 1000),
              end: Math.round((b + d) * 1000),
              score: (Math.log(Math.max(p, 1e-9)) * 10_000) / Math.max(1, d * frames),
            }));
    },
  };
}

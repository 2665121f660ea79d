/** The recogniser with an acoustic model: the same in a browser and in Node, but for where its files come from. */
import type { LetterRules } from '../phones/letters.ts';
import type { ModelFor } from '../phones/models.ts';
import { pronouncer } from '../phones/pronounce.ts';
import { soundsOf } from '../phones/sounds.ts';
import { engineOver, engineRate, type EngineDecoder, type EngineModule } from './engine.ts';
import type { Hearing } from './grammars.ts';

/** What hears, and knows how words sound. */
export type Recogniser = Omit<Hearing, 'script'>;

/** A module of the engine's package, as far as it is used. */
export interface RecogniserModule extends EngineModule {
  readonly Decoder: new (settings: Readonly<Record<string, string | number>>) => EngineDecoder & {
    readonly unset_config: (name: string) => void;
    readonly initialize: () => Promise<unknown>;
  };
}
/** What of a model is read here and not by the engine. */
export interface ModelTexts {
  readonly dictionary: string;
  readonly rules: LetterRules;
}

/** @param models path or address of the folder of models, with a slash at its end @throws {Error} where a file is missing */
export async function recogniserFrom(
  module: RecogniserModule,
  modelFor: ModelFor,
  models: string,
  texts: Promise<ModelTexts> | ModelTexts,
): Promise<Recogniser> {
  const decoder = new module.Decoder({ hmm: `${models}${modelFor.model}`, samprate: engineRate, loglevel: 'FATAL' });
  // Words are handed over as they are needed: the engine holds none of its own.
  decoder.unset_config('dict');
  const [{ dictionary, rules }] = await Promise.all([texts, decoder.initialize()]);
  return { engine: engineOver(module, decoder), pronounce: pronouncer(soundsOf(modelFor, dictionary, rules)) };
}

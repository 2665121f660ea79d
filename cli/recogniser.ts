/** The recogniser and its models as Node has them. */
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { engineOver, engineRate, type Engine, type EngineDecoder, type EngineModule } from '../core/placing/engine.ts';
import type { LetterRules } from '../core/pronunciation/letters.ts';
import type { ModelFor } from '../core/pronunciation/models.ts';
import { pronouncer, type Pronouncer } from '../core/pronunciation/pronounce.ts';
import { soundsOf } from '../core/pronunciation/sounds.ts';

export interface Recogniser {
  readonly engine: Engine;
  readonly pronounce: Pronouncer;
}

/** @param rules of the letters of the model, as JSON @param packageAt address of the package's main file */
export async function recogniserFor(modelFor: ModelFor, rules: string, packageAt: string): Promise<Recogniser> {
  // Fetched only where somebody places: it takes as long to load as the rest.
  const { default: createModule } = await import('soundswallower');
  const models = fileURLToPath(new URL('./model/', packageAt));
  const { model } = modelFor;
  // Its types leave out what it takes beside the settings of any such module.
  const settings = { modelBase: models, defaultModel: model } as Parameters<typeof createModule>[0];
  const module = await createModule(settings);
  const decoder = new module.Decoder({ hmm: `${models}${model}`, samprate: engineRate, loglevel: 'FATAL' });
  // Words are handed over as they are needed: the engine holds none of its own.
  decoder.unset_config('dict');
  await decoder.initialize();
  const { rules: letters } = JSON.parse(rules) as { readonly rules: LetterRules };
  const dictionary = readFileSync(`${models}${model}/dict.txt`, 'utf8');
  return {
    engine: engineOver(module as unknown as EngineModule, decoder as unknown as EngineDecoder),
    pronounce: pronouncer(soundsOf(modelFor, dictionary, letters)),
  };
}

/** The recogniser with an acoustic model, in a worker. Its files are fetched from where the page comes from. */
import createModule from 'soundswallower';
import { engineOver, engineRate, type EngineDecoder, type EngineModule } from '../../core/placing/engine.ts';
import type { Hearing } from '../../core/placing/grammars.ts';
import type { LetterRules } from '../../core/pronunciation/letters.ts';
import type { ModelFor, ModelName } from '../../core/pronunciation/models.ts';
import { pronouncer } from '../../core/pronunciation/pronounce.ts';
import { soundsOf } from '../../core/pronunciation/sounds.ts';
import { modelsAt } from './models-at.ts';

const rulesOf: Readonly<Record<ModelName, () => Promise<unknown>>> = {
  'en-us': async () => (await import('../../core/pronunciation/letters-en-us.json')).default.rules,
  'fr-fr': async () => (await import('../../core/pronunciation/letters-fr-fr.json')).default.rules,
};

/** @throws {Error} where a file of it cannot be fetched */
export async function recogniserFor(modelFor: ModelFor): Promise<Omit<Hearing, 'script'>> {
  const { model } = modelFor;
  const modelBase = new URL(`${modelsAt}/`, self.location.origin).href;
  // Its types leave out what it takes beside the settings of any such module.
  const settings = { modelBase, defaultModel: model, locateFile: (name: string) => `${modelBase}${name}` };
  const module = await createModule(settings);
  const decoder = new module.Decoder({ hmm: `${modelBase}${model}`, samprate: engineRate, loglevel: 'FATAL' });
  // Words are handed over as they are needed: the engine holds none of its own.
  decoder.unset_config('dict');
  const dictionary = fetch(`${modelBase}${model}/dict.txt`).then((answer) => {
    if (!answer.ok) throw new Error('The dictionary could not be fetched.');
    return answer.text();
  });
  const [words, rules] = await Promise.all([dictionary, rulesOf[model](), decoder.initialize()]);
  return {
    engine: engineOver(module as unknown as EngineModule, decoder as unknown as EngineDecoder),
    pronounce: pronouncer(soundsOf(modelFor, words, rules as LetterRules)),
  };
}

/** The recogniser with an acoustic model, in a worker. Its files are fetched from where the page comes from. */
import createModule from 'soundswallower';
import { recogniserFrom, type Recogniser, type RecogniserModule } from '../../../core/audio/align/recogniser.ts';
import type { LetterRules } from '../../../core/audio/phones/letters.ts';
import type { ModelFor, ModelName } from '../../../core/audio/phones/models.ts';

/** Where the acoustic models are served; the build puts it in. */
declare const __MODELS_AT__: string;

const rulesOf: Readonly<Record<ModelName, () => Promise<LetterRules>>> = {
  'en-us': async () => (await import('../../../core/audio/phones/letters-en-us.json')).default.rules,
  'fr-fr': async () => (await import('../../../core/audio/phones/letters-fr-fr.json')).default.rules,
};

async function textOf(address: string): Promise<string> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(`${address} could not be fetched.`);
  return answer.text();
}

/** @throws {Error} where a file of it cannot be fetched */
export async function loadRecogniser(modelFor: ModelFor): Promise<Recogniser> {
  const models = new URL(`${__MODELS_AT__}/`, self.location.origin).href;
  const { model } = modelFor;
  const texts = Promise.all([textOf(`${models}${model}/dict.txt`), rulesOf[model]()]);
  // Its types leave out what it takes beside the settings of any such module, and what is called of it.
  const settings = { modelBase: models, defaultModel: model, locateFile: (name: string) => `${models}${name}` };
  const module = (await createModule(settings)) as unknown as RecogniserModule;
  const read = texts.then(([dictionary, rules]) => ({ dictionary, rules }));
  return recogniserFrom(module, modelFor, models, read);
}

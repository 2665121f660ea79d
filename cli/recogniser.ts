/** The recogniser and its models as Node has them. */
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { recogniserFrom, type Recogniser, type RecogniserModule } from '../core/audio/align/recogniser.ts';
import type { LetterRules } from '../core/audio/phones/letters.ts';
import type { ModelFor } from '../core/audio/phones/models.ts';

/** @param rules of the letters of the model, as JSON @param packageAt address of the package's main file */
export async function recogniserFor(modelFor: ModelFor, rules: string, packageAt: string): Promise<Recogniser> {
  // Fetched only where somebody places: it takes as long to load as the rest.
  const { default: createModule } = await import('soundswallower');
  const models = fileURLToPath(new URL('./model/', packageAt));
  // Its types leave out what it takes beside the settings of any such module, and what is called of it.
  const settings = { modelBase: models, defaultModel: modelFor.model } as Parameters<typeof createModule>[0];
  const module = (await createModule(settings)) as unknown as RecogniserModule;
  const { rules: letters } = JSON.parse(rules) as { readonly rules: LetterRules };
  const dictionary = readFileSync(`${models}${modelFor.model}/dict.txt`, 'utf8');
  return recogniserFrom(module, modelFor, models, { dictionary, rules: letters });
}

import { captionOfCue } from '../../core/formats/cue.ts';
import { plainInline } from '../../core/formats/inline.ts';
import { languageFor } from './language.ts';

const english = 'The lower gate is shut and the water begins to fall, and nobody opens a gate against the water.';
const arabic = 'القناة مغلقة حتى الصباح والماء في الحوض لا يزال عاليا';

it.each([
  ['what the file says', 'fr', 'captions.ar.vtt', english, 'fr'],
  ['a name of another language', null, 'captions.ar.vtt', '', 'ar'],
  ['words of another language', null, 'captions.vtt', arabic, 'ar'],
  ['a name with a region', null, 'captions.en-US.vtt', english, 'en-US'],
  ['words of the same language', null, 'captions.vtt', english, 'en-GB'],
  ['nothing to tell by', null, 'captions.vtt', 'Go.', 'en-GB'],
])('%s', (_, language, name, text, offered) => {
  const captions = [captionOfCue(0, 2000, null, plainInline(text))];
  expect(languageFor({ language, captions }, name, 'en-GB')).toBe(offered);
});

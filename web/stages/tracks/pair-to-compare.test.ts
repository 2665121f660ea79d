import { pairToCompare } from './pair-to-compare.ts';

const english = { id: 'english', kind: 'captions', language: 'en-GB' } as const;
const draft = { id: 'draft', kind: 'machine', language: 'en' } as const;
const french = { id: 'french', kind: 'subtitles', language: 'fr' } as const;
const quebec = { id: 'quebec', kind: 'subtitles', language: 'fr-CA' } as const;

it('a comparison begins with two tracks of one language', () => {
  expect(pairToCompare([english, french, draft], 'english')).toEqual(['english', 'draft']);
  expect(pairToCompare([english, french, draft], 'french')).toEqual(['english', 'draft']);
  expect(pairToCompare([english, french, quebec], 'english')).toEqual(['french', 'quebec']);
});

it('and with any two where there are none', () => {
  expect(pairToCompare([english, french], 'french')).toEqual(['french', 'english']);
  expect(pairToCompare([english], 'english')).toBeNull();
});

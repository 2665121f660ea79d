import { shippedStyles } from '../../../core/style/shipped.ts';
import type { Job } from '../../../core/job/job.ts';
import { bytesInWords, isRawDraft, languageName, proofedShare } from './jobs.ts';

const style = shippedStyles[0];
if (!style) throw new Error('Styles ship.');
const job = (captions: number, proofed: number): Job => ({
  id: 'j',
  title: 'A',
  series: '',
  language: 'en-GB',
  rate: { numerator: 25, denominator: 1 },
  style,
  made: 0,
  recording: null,
  recordingBefore: null,
  soundTrack: 0,
  deleted: [],
  stretch: null,
  tracks: [
    { id: 'm', kind: 'machine', language: 'en', name: 'machine draft', edit: 1, captions: 9, proofed: 9 },
    { id: 't', kind: 'captions', language: 'en', name: 'fair copy', edit: 1, captions, proofed },
  ],
});

it('counts what is proofed of the fair copy, never of the machine draft', () => {
  expect(proofedShare(job(40, 10))).toBe(0.25);
  expect(proofedShare(job(0, 0))).toBe(0);
  expect(proofedShare({ ...job(1, 1), tracks: [] })).toBe(0);
});

it.each([
  ['en-GB', 'English'],
  ['cy', 'Welsh'],
  ['not a tag', 'not a tag'],
])('names %s', (tag, name) => expect(languageName(tag)).toBe(name));

it.each([
  [999, '999 bytes'],
  [4100, '4.1 kB'],
  [1_458_264, '1.5 MB'],
])('%d bytes', (bytes, text) => expect(bytesInWords(bytes)).toBe(text));

it('a raw draft is one, until somebody changes something of it', () => {
  const raw = job(9, 0);
  const changed = { tracks: raw.tracks.map((t) => (t.kind === 'machine' ? t : { ...t, edit: 2 })) };
  const typed = { tracks: raw.tracks.filter((t) => t.kind !== 'machine') };
  expect([raw, changed, typed, job(0, 0)].map(isRawDraft)).toEqual([true, false, false, false]);
});

/** TTML and the IMSC 1.1 text profile: what it is, and where its reading and writing are. */
import type { Format } from '../format.ts';
import { readTtml } from './read.ts';
import { ttmlWriter } from './write.ts';

export const ttml: Format = {
  name: 'ttml',
  title: 'TTML (IMSC 1.1 text)',
  extension: '.ttml',
  mediaType: 'application/ttml+xml',
  detect: (text) => (/<(?:[A-Za-z][\w.-]{0,20}:)?tt[\s>]/.test(text.slice(0, 4000)) ? 0.95 : 0),
  read: readTtml,
  writer: ttmlWriter,
};

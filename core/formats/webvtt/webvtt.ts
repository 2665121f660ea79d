/** WebVTT: what it is, and where its reading and writing are. */
import type { Format } from '../format.ts';
import { readWebvtt, signature } from './read.ts';
import { vttWriter } from './write.ts';

export const webvtt: Format = {
  name: 'vtt',
  title: 'WebVTT',
  extension: '.vtt',
  mediaType: 'text/vtt',
  detect: (text) => (signature.test(text.slice(0, 16).split(/[\r\n]/)[0] ?? '') ? 1 : 0),
  read: readWebvtt,
  writer: vttWriter,
};

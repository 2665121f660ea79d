/** Character references, by the full table of HTML (the package `entities` carries it). */
import { decodeHTML } from 'entities';

/**
 * Text with its character references taken for what they stand for. A carriage return that came in
 * this way becomes a space: captions know one line break.
 */
export const decodeReferences = (source: string): string =>
  source.includes('&') ? decodeHTML(source).replace(/\r/g, ' ') : source;

/** Inline markup of SRT, as found: `<i> <b> <u> <font color>`, in any case, nested or not, closed or not. */
import type { Mark, MarkKind } from '../../track/caption.ts';
import type { Inline } from '../inline.ts';

interface Open {
  readonly name: string;
  readonly from: number;
  /** Null for a font tag without a colour, which means nothing here. */
  readonly kind: MarkKind | null;
  readonly value: string;
}

const kinds: Readonly<Record<string, MarkKind>> = { i: 'italic', b: 'bold', u: 'underline' };

/** What a start tag opens, or null where the text only looks like a tag (`a < b`, `<3`). */
function opening(tag: string): Omit<Open, 'from'> | null {
  const name = tag.toLowerCase();
  const kind = kinds[name];
  if (kind) return { name, kind, value: '' };
  if (!/^font(?:\s|$)/.test(name)) return null;
  const colour = /\scolor\s*=\s*["']?\s*([#\w]+)/i.exec(tag)?.[1];
  return { name: 'font', kind: colour ? 'colour' : null, value: colour ?? '' };
}

const endTag = /^\/(i|b|u|font)$/i;

/** Reads SRT text in one pass; tags left open end with the text, and what is no tag stays text. */
export function readSrtText(source: string): Inline {
  if (!source.includes('<')) return { text: source, marks: [], speakers: [], times: [] };
  let text = '';
  const open: Open[] = [];
  const marks: Mark[] = [];
  const close = (tag: Open): void => {
    if (tag.kind !== null && text.length > tag.from)
      marks.push({ from: tag.from, to: text.length, kind: tag.kind, value: tag.value });
  };
  const last = source.lastIndexOf('>');
  for (let i = 0; i < source.length;) {
    const at = source.indexOf('<', i);
    if (at < 0 || at > last) {
      text += source.slice(i);
      break;
    }
    text += source.slice(i, at);
    const end = source.indexOf('>', at);
    const tag = source.slice(at + 1, end);
    const ends = endTag.exec(tag)?.[1]?.toLowerCase();
    const started = ends === undefined ? opening(tag) : null;
    if (ends !== undefined) {
      const k = open.findLastIndex((o) => o.name === ends);
      if (k >= 0) open.splice(k).forEach(close);
    } else if (started) open.push({ ...started, from: text.length });
    else text += '<';
    i = ends !== undefined || started ? end + 1 : at + 1;
  }
  open.forEach(close);
  marks.sort((a, b) => a.from - b.from || b.to - a.to);
  return { text, marks, speakers: [], times: [] };
}

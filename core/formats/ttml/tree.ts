/** An XML document as a small tree, read leniently: what is not well-formed is listed and passed over. */
import type { ParseWarning } from '../warning.ts';
import { decodeHTML } from 'entities';
import { SaxesParser } from 'saxes';

export interface Element {
  /** Without its prefix: TTML has had several namespaces, and files mix them up. */
  readonly name: string;
  /** From 1. */
  readonly line: number;
  /** By local name; `lang`, `space` and `id` are those of XML. */
  readonly attributes: ReadonlyMap<string, string>;
  readonly children: (Element | string)[];
}

const localName = (name: string): string => name.slice(name.indexOf(':') + 1);

/** Elements nested deeper than this are passed over with what is in them. */
const deepest = 100;
/** Faults past this many are not listed one by one. */
const mostFaults = 50;

const ofXml = new Set(['&amp;', '&lt;', '&gt;', '&quot;', '&apos;']);

/** Text in which every `&` is part of a reference XML knows; those of HTML are taken for what they stand for. */
function withReferences(source: string, warnings: ParseWarning[]): string {
  let line = 1;
  let counted = 0;
  const signs = /<!\[CDATA\[[\s\S]*?(?:\]\]>|$)|&(?:#\d{1,7};|#x[\da-fA-F]{1,6};|[A-Za-z][A-Za-z0-9]{0,31};)?/g;
  return source.replace(signs, (found, at: number) => {
    if (found.startsWith('<') || found.startsWith('&#') || ofXml.has(found)) return found;
    for (let i = source.indexOf('\n', counted); i >= 0 && i < at; i = source.indexOf('\n', i + 1)) {
      line++;
      counted = i + 1;
    }
    warnings.push({ line, message: `“${found}” is no reference of XML; it was taken for what it means in HTML.` });
    const meant = decodeHTML(found);
    return meant === found
      ? found.replace('&', '&amp;')
      : meant.replace(/[&<]/g, (sign) => (sign === '&' ? '&amp;' : '&lt;'));
  });
}

/** The root of a document; null where there is none. */
export function treeOf(source: string, warnings: ParseWarning[]): Element | null {
  const parser = new SaxesParser({ position: true });
  const open: Element[] = [];
  let root: Element | null = null;
  let passedOver = 0;
  let faults = 0;
  parser.on('error', (error) => {
    faults++;
    if (faults > mostFaults) return;
    const message = error.message.replace(/^\d+:\d+:\s*/, '').replace(/\.$/, '');
    warnings.push({
      line: parser.line,
      message: `This is not well-formed XML (${message}); it was read as far as it goes.`,
    });
  });
  parser.on('opentag', (tag) => {
    if (open.length >= deepest) {
      passedOver++;
      return;
    }
    const element: Element = {
      name: localName(tag.name),
      line: parser.line,
      attributes: new Map(Object.entries(tag.attributes).map(([name, value]) => [localName(name), String(value)])),
      children: [],
    };
    open.at(-1)?.children.push(element);
    root ??= element;
    open.push(element);
  });
  parser.on('closetag', () => {
    if (passedOver > 0) passedOver--;
    else open.pop();
  });
  const text = (value: string): void => {
    if (passedOver === 0) open.at(-1)?.children.push(value);
  };
  parser.on('text', text);
  parser.on('cdata', text);
  parser.write(withReferences(source, warnings));
  parser.close();
  return root;
}

/** Every element below one, itself first, by name. */
export function* elementsNamed(element: Element, name: string): Generator<Element> {
  if (element.name === name) yield element;
  for (const child of element.children) if (typeof child !== 'string') yield* elementsNamed(child, name);
}

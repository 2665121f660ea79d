/** Styles of TTML as far as captions have them: italic, bold, underline, colour, language, who speaks. */
import { hexColour } from '../colours.ts';
import { elementsNamed, type Element } from './tree.ts';

export interface Styling {
  readonly italic: boolean;
  readonly bold: boolean;
  readonly underline: boolean;
  /** As written; white, which captions have anyway, is none. */
  readonly colour: string;
  /** BCP 47. */
  readonly language: string;
  readonly speaker: string;
}

type Attributes = Readonly<Record<string, string>>;

const styleNames = ['fontStyle', 'fontWeight', 'textDecoration', 'color'] as const;

/** Attributes by `xml:id` of the styles a document defines, with what they refer to folded in. */
export function definedStyles(root: Element): ReadonlyMap<string, Attributes> {
  const elements = new Map<string, Element>();
  for (const style of elementsNamed(root, 'style')) {
    const id = style.attributes.get('id');
    if (id !== undefined) elements.set(id, style);
  }
  const done = new Map<string, Attributes>();
  const resolve = (id: string, above: readonly string[]): Attributes => {
    const known = done.get(id);
    if (known) return known;
    const element = elements.get(id);
    // A style that refers to itself has no end.
    if (!element || above.includes(id) || above.length > 20) return {};
    const referred = references(element).map((other) => resolve(other, [...above, id]));
    // eslint-disable-next-line no-restricted-syntax -- the styles one element names
    const found = Object.assign({}, ...referred, own(element)) as Attributes;
    done.set(id, found);
    return found;
  };
  for (const id of elements.keys()) resolve(id, []);
  return done;
}

const references = (element: Element): string[] => (element.attributes.get('style') ?? '').split(/\s+/).filter(Boolean);
const own = (element: Element): Attributes =>
  Object.fromEntries(
    styleNames.flatMap((name) => {
      const value = element.attributes.get(name);
      return value === undefined ? [] : [[name, value]];
    }),
  );

/** Names by `xml:id` of the agents a document lists. */
export function agents(root: Element): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  for (const agent of elementsNamed(root, 'agent')) {
    const id = agent.attributes.get('id');
    const name = [...elementsNamed(agent, 'name')][0];
    if (id !== undefined && name)
      found.set(
        id,
        name.children
          .filter((c) => typeof c === 'string')
          .join('')
          .trim(),
      );
  }
  return found;
}

const plain = '#ffffff';

/** What an element adds to the styling around it. */
export function stylingOf(
  element: Element,
  around: Styling,
  defined: ReadonlyMap<string, Attributes>,
  names: ReadonlyMap<string, string>,
): Styling {
  const { fontStyle, fontWeight, textDecoration, color } = Object.assign(
    {},
    // eslint-disable-next-line no-restricted-syntax -- the styles one element names
    ...references(element).map((id) => defined.get(id) ?? {}),
    own(element),
  ) as Partial<Record<(typeof styleNames)[number], string>>;
  const agent = element.attributes.get('agent')?.trim().split(/\s+/)[0];
  return {
    italic: fontStyle === undefined ? around.italic : fontStyle === 'italic' || fontStyle === 'oblique',
    bold: fontWeight === undefined ? around.bold : fontWeight === 'bold',
    underline:
      textDecoration === undefined
        ? around.underline
        : /\bunderline\b/.test(textDecoration)
          ? true
          : /\b(?:none|noUnderline)\b/.test(textDecoration)
            ? false
            : around.underline,
    colour: color === undefined ? around.colour : hexColour(color) === plain ? '' : color.trim(),
    language: element.attributes.get('lang') ?? around.language,
    speaker: agent === undefined ? around.speaker : (names.get(agent) ?? agent),
  };
}

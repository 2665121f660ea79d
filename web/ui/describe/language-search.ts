/**
 * Any language by its name in English or in itself, or by its tag. The names are those of the browser, and of the IANA
 * Language Subtag Registry (package `language-subtag-registry`) where it has none; they come when a field is opened.
 */
import { fullName, languages } from './languages.ts';

/** A language that can be chosen. */
export interface FoundLanguage {
  /** BCP 47. */
  readonly value: string;
  readonly title: string;
}

/** Finds languages, the likeliest first. */
export type LanguageSearch = (typed: string) => readonly FoundLanguage[];

interface NamedLanguage extends FoundLanguage {
  /** Names it is found by, without accents, in small letters. */
  readonly names: readonly string[];
}

/** An entry of the registry (RFC 5646, 3.1). */
export interface RegistryEntry {
  readonly Type: string;
  readonly Subtag?: string;
  readonly Description: readonly string[];
  readonly Deprecated?: string;
  readonly Scope?: string;
}

/** A language with its country or its script, as often asked for by name as the language alone (common practice). */
const oftenAsked = ['pt-BR', 'pt-PT', 'es-419', 'es-ES', 'es-MX', 'fr-CA', 'en-AU', 'en-IN', 'de-AT', 'de-CH'].concat([
  'zh-Hans',
  'zh-Hant',
  'sr-Cyrl',
  'sr-Latn',
  'nl-BE',
]);

const folded = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase();

/** The name of a language in itself; null where the browser has none. */
function ownName(tag: string): string | null {
  if (Intl.DisplayNames.supportedLocalesOf([tag]).length === 0) return null;
  return new Intl.DisplayNames([tag], { type: 'language', fallback: 'none' }).of(tag) ?? null;
}

function named(tag: string, described: readonly string[]): NamedLanguage {
  const english = new Set([fullName(tag), ...described].filter((name) => name !== tag));
  const [title = tag] = english;
  const own = ownName(tag);
  return {
    value: tag,
    title: own === null || folded(own) === folded(title) ? title : `${title} (${own})`,
    names: [...english, ...(own === null ? [] : [own])].map(folded),
  };
}

/** The tag as it is written properly; null where nothing could be tagged with it. */
function properTag(typed: string): string | null {
  try {
    const { language, baseName } = new Intl.Locale(typed.trim().replaceAll('_', '-'));
    return fullName(language) === language ? null : baseName;
  } catch {
    return null;
  }
}

/** How well a name answers what was typed: the whole name, its beginning, a word of it, or a part; null where it does not. */
function rankOf(name: string, wanted: string): number | null {
  if (name === wanted) return 0;
  const at = name.indexOf(wanted);
  if (at < 0) return null;
  return at === 0 ? 1 : /[\s(-]/.test(name[at - 1] ?? '') ? 2 : 3;
}

/** Reads the registry and gives what searches it. */
export async function languageSearch(): Promise<LanguageSearch> {
  const { default: registry } = await import('language-subtag-registry/data/json/registry.json');
  return searchOf(registry as readonly RegistryEntry[]);
}

/** What searches the entries of a registry. */
export function searchOf(registry: readonly RegistryEntry[]): LanguageSearch {
  const known = registry.filter(
    (e) => e.Type === 'language' && e.Subtag !== undefined && !e.Deprecated && e.Scope !== 'private-use',
  );
  const described = new Map(known.map((e) => [e.Subtag ?? '', e.Description]));
  const tags = [...new Set([...languages, ...oftenAsked, ...described.keys()])];
  const all = tags.map((tag) => named(tag, described.get(tag) ?? []));
  const inOrder = new Map(all.map(({ value }, i) => [value, i]));
  return (typed) => {
    const wanted = folded(typed.trim());
    const ranked = all.flatMap((language) => {
      const ranks = language.names.flatMap((name) => rankOf(name, wanted) ?? []);
      const [rank] = ranks.sort((a, b) => a - b);
      return rank === undefined ? [] : [{ language, rank }];
    });
    ranked.sort(
      (a, b) => a.rank - b.rank || (inOrder.get(a.language.value) ?? 0) - (inOrder.get(b.language.value) ?? 0),
    );
    const byTag = properTag(typed);
    const tagged = byTag === null ? [] : [{ value: byTag, title: fullName(byTag) }];
    const found = [...tagged, ...ranked.map(({ language: { value, title } }) => ({ value, title }))];
    return found.filter(({ value }, i) => found.findIndex((one) => one.value === value) === i);
  };
}

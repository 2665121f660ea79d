import { readFileSync } from 'node:fs';
import { searchOf, type RegistryEntry } from './language-search.ts';

// The IANA Language Subtag Registry (RFC 5646).
const registry = JSON.parse(
  readFileSync('node_modules/language-subtag-registry/data/json/registry.json', 'utf8'),
) as readonly RegistryEntry[];
const search = searchOf(registry);
const tagsOf = (typed: string): readonly string[] => search(typed).map(({ value }) => value);

describe('any language is found', () => {
  it.each([
    ['Danish', 'da'],
    ['dansk', 'da'],
    ['espanol', 'es'],
    ['Español', 'es'],
    ['deutsch', 'de'],
    ['Northern Sami', 'se'],
    ['日本語', 'ja'],
    ['العربية', 'ar'],
    ['brazil', 'pt-BR'],
  ])('%s', (typed, tag) => expect(tagsOf(typed)[0]).toBe(tag));

  it.each([
    ['sr-latn-rs', 'sr-Latn-RS', 'Serbian (Latin, Serbia)'],
    ['en_nz', 'en-NZ', 'English (New Zealand)'],
    ['gsw', 'gsw', 'Swiss German'],
  ])('by its tag %s', (typed, tag, title) => expect(search(typed)[0]).toEqual({ value: tag, title }));

  it('whose name the browser does not have, by that of the registry', () => {
    expect(search('Livvi')[0]).toEqual({ value: 'olo', title: 'Livvi' });
  });

  it('and nothing by what is no tag and no name', () => {
    expect(search('zz-zz-zz-12345678901')).toEqual([]);
    expect(search('zqxj')).toEqual([]);
  });

  it('each once', () => {
    const tags = tagsOf('sh');
    expect(new Set(tags).size).toBe(tags.length);
  });
});

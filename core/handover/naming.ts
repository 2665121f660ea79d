/** File names as the places that take the files want them. */

/** A name that every file system takes: no separators or signs that mean something to a shell or a drive. */
export function plainName(title: string): string {
  const name = title
    .normalize('NFC')
    .toLowerCase()

    .replace(/[\u0000-\u001f\\/:*?"<>|.]+/g, ' ')
    .trim()
    .replace(/\s+/g, '-')
    .slice(0, 80);
  return name === '' ? 'captions' : name;
}

/**
 * Fills a naming pattern: `{name}`, `{language}` (`en-GB`, or `en` where the pattern has `{REGION}`
 * too), `{REGION}` (`GB`; left out with the sign before it where the language has none).
 */
export function fileName(pattern: string, title: string, language: string): string {
  const [base = 'und', region] = language.split('-');
  const split = pattern.includes('{REGION}');
  return pattern
    .replace('{name}', plainName(title))
    .replace('{language}', split ? base : language)
    .replace(/[_-]?\{REGION\}/, (found) => (region ? found.replace('{REGION}', region.toUpperCase()) : ''));
}

/** The pattern files of a format go by where nobody asks for another. Common practice. */
export function usualPattern(format: { readonly name: string; readonly extension: string }): string {
  return format.name === 'srt' ? '{name}.{language}_{REGION}.srt' : `{name}.{language}${format.extension}`;
}

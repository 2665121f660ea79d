import { readFileSync } from 'node:fs';

const css = readFileSync('web/ui/theme/tokens.css', 'utf8');

function colours(theme: 'light' | 'dark'): Record<string, string> {
  const block = new RegExp(`data-theme='${theme}'\\] \\{([^}]*)\\}`).exec(css)?.[1] ?? '';
  return Object.fromEntries([...block.matchAll(/--([a-z-]+): (#[0-9a-f]{6});/g)].map((m) => [m[1] ?? '', m[2] ?? '']));
}

/** Relative luminance and contrast as WCAG 2.2 defines them. */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const channel = parseInt(hex.slice(at, at + 2), 16) / 255;
    return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [light = 0, dark = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
}

it('measures contrast as WCAG does', () => {
  expect(contrast('#ffffff', '#000000')).toBeCloseTo(21, 5);
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
});

const pairs = [
  ['ink', 'ground'],
  ['ink', 'sheet'],
  ['ink', 'sun-wash'],
  ['ink', 'alarm-wash'],
  ['soft', 'ground'],
  ['soft', 'sheet'],
  ['header-ink', 'header'],
  ['header-soft', 'header'],
  ['on-reed', 'reed'],
  ['reed', 'sheet'],
  ['reed', 'reed-wash'],
  ['water', 'sheet'],
  ['sun-text', 'ground'],
  ['sun-text', 'sheet'],
  ['alarm', 'ground'],
  ['alarm', 'sheet'],
] as const;

describe.each(['light', 'dark'] as const)('text in the %s theme', (theme) => {
  it.each(pairs)('%s on %s has a contrast of 4.5 to 1 or more', (text, ground) => {
    const known = colours(theme);
    expect(contrast(known[text] ?? '#000000', known[ground] ?? '#000000')).toBeGreaterThanOrEqual(4.5);
  });
});

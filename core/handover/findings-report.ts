/** The findings of a track and what was let be, as a table to hand to a client: CSV by RFC 4180. */
import type { Finding } from '../rules/finding.ts';
import { ruleTitle } from '../rules/findings.ts';
import { exactClock } from '../timing/clock/clock.ts';
import type { Caption } from '../model/caption.ts';

/** A field in quotes where it needs them. What a table program would take for a formula is kept from being one. */
function field(value: string | number): string {
  const text = typeof value === 'number' ? String(Math.round(value * 100) / 100) : value;
  const plain = typeof value === 'string' && /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(plain) ? `"${plain.replace(/"/g, '""')}"` : plain;
}

const head = ['caption', 'start', 'end', 'text', 'finding', 'weight', 'figure', 'limit', 'message', 'let be because'];

/** One line for each finding and each that was let be, in the order of the captions. */
export function findingsReport(captions: readonly Caption[], of: (id: string) => readonly Finding[]): string {
  const lines: (readonly (string | number)[])[] = [head];
  captions.forEach((c, i) => {
    const place = [i + 1, exactClock(c.start), exactClock(c.end), c.text];
    for (const f of of(c.id))
      lines.push([...place, ruleTitle(f.rule), f.severity, f.figures.value, f.figures.limit, f.message, '']);
    for (const entry of c.letBe) {
      lines.push([...place, ruleTitle(entry.rule), 'let be', entry.figure, '', '', entry.reason]);
    }
  });
  return lines.map((line) => `${line.map(field).join(',')}\r\n`).join('');
}

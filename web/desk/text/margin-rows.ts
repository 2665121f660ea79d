/** What stands in the margins of Words beside a line: at the left the proofed mark and the time, at the right figures against limits. */
import { voiceOf } from '../../../core/layout/passages.ts';
import type { Finding } from '../../../core/rules/finding.ts';
import { ruleNamed } from '../../../core/rules/findings.ts';
import { speedText } from '../../../core/text/measures.ts';
import { seconds } from '../../../core/timing/clock/clock.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { comeBackInWords } from '../../ui/describe/come-back.ts';
import { measuresOf } from '../../ui/measured.ts';
import type { Around } from './state.ts';

/** A line of a caption. */
export interface MarginLine {
  readonly caption: Caption;
  /** Which of its lines it is, from 0. */
  readonly nth: number;
  /** Of the caption in its track, from 1. */
  readonly number: number;
}

interface Side {
  readonly text: string;
  readonly state: 'fine' | 'over-limit' | 'advice';
}

/** Rules about how long a caption is there; what is said of gaps and neighbours is no fault of that figure. */
const aboutDuration: ReadonlySet<string> = new Set(['too-short', 'too-long']);

interface Verdict {
  /** What is wrong, in a word or two. */
  readonly wrong: string;
  /** The colour of each figure, which is about that figure alone. */
  readonly speed: Side['state'];
  readonly duration: Side['state'];
}

function stateOf(findings: readonly Finding[]): Side['state'] {
  if (findings.length === 0) return 'fine';
  return findings.some((f) => f.severity === 'must') ? 'over-limit' : 'advice';
}
/** Never by colour alone: a figure that is looked at has the sign of how much it weighs. */
const signs: Readonly<Record<Side['state'], string>> = {
  fine: '',
  'over-limit': '▲ ',
  advice: '△ ',
};

/** What the margin says of findings. */
export function verdict(findings: readonly Finding[]): Verdict {
  const worst = findings.find((f) => f.severity === 'must');
  return {
    wrong: worst ? `▲ ${ruleNamed(worst.rule).short}` : '',
    speed: stateOf(findings.filter((f) => ruleNamed(f.rule).group === 'Reading')),
    duration: stateOf(findings.filter((f) => aboutDuration.has(f.rule))),
  };
}

/** What stands beside a line: the speed at the first, at the second how long the caption is there or what is wrong; beside an only line both do. */
function sidesOf({ caption, nth }: MarginLine, count: number, findings: readonly Finding[], speed: number): Side[] {
  // It has no times yet, and so no figures that say anything; that it has none stands on its other side.
  if (caption.timing === 'provisional') return [];
  const { wrong, speed: ofSpeed, duration: ofDuration } = verdict(findings);
  const sides: Side[] = [
    { text: `${signs[ofSpeed]}${speedText(speed)} cps`, state: ofSpeed },
    wrong === ''
      ? { text: `${signs[ofDuration]}${seconds(caption.end - caption.start)}`, state: ofDuration }
      : { text: wrong, state: 'over-limit' },
  ];
  return count === 1 ? sides : sides.slice(nth, nth + 1);
}

function element(name: string, className: string, text: string): HTMLElement {
  const made = document.createElement(name);
  made.className = className;
  made.textContent = text;
  return made;
}

/** That a caption is marked to be come back to. */
function comeBackSign(note: string): HTMLElement {
  const sign = element('span', 'margin-come-back', '⚑');
  sign.title = comeBackInWords(note);
  return sign;
}

/** What one margin shows beside one line: a key that tells whether it looks the same as another, and how it is made. */
export interface MarginNote {
  readonly looks: string;
  readonly toDOM: () => HTMLElement;
}

/** The left margin: when a caption begins, and in running text who speaks. Null beside its other lines. */
export function timeNote(
  { caption, nth, number }: MarginLine,
  { reading, clock, showsNumbers }: Around,
): MarginNote | null {
  if (nth > 0) return null;
  const time = caption.timing === 'set' ? clock(caption.start) : 'not timed';
  const voice = reading === 'text' ? voiceOf(caption) : '';
  return {
    looks: `${String(caption.proofed)} ${time} ${voice} ${caption.comeBack ?? '-'} ${showsNumbers ? String(number) : ''}`,
    toDOM() {
      // The sign is drawn by the sheet of styles.
      const box = element('div', caption.proofed ? 'margin-time proofed' : 'margin-time', time);
      box.title = 'Bring the playhead here';
      if (showsNumbers) box.append(element('span', 'margin-number', String(number)));
      if (caption.comeBack !== null) box.append(comeBackSign(caption.comeBack));
      if (voice !== '') box.append(element('span', 'margin-voice', voice));
      return box;
    },
  };
}

/** So many figures wide are what stands right of a line's bar. */
const columns = 15;

/** The length at the left, the sides below each other at the right. */
const inColumns = (length: string, sides: readonly Side[]): string =>
  sides
    .map(({ text }, i) => (i === 0 ? length + text.padStart(columns - length.length) : text.padStart(columns)))
    .join('\n');

/** The right margin: the line's length as figure and bar, and what is said of the caption. Null in running text. */
export function figuresNote(line: MarginLine, { style, findings, reading }: Around): MarginNote | null {
  if (reading === 'text') return null;
  const { caption, nth } = line;
  const { lines, speed } = measuresOf(caption, style.counting);
  const length = lines[nth] ?? 0;
  const { limit } = style.text.lineLength;
  const sides = sidesOf(line, lines.length, findings.get(caption.id) ?? [], speed);
  const name = `margin-figures${nth === 0 ? ' first' : ''}${length > limit ? ' over' : ''}`;
  return {
    looks: `${name} ${String(length)}/${String(limit)} ${sides.map((s) => s.state + s.text).join(' ')}`,
    toDOM() {
      // Most lines have nothing wrong: their figures are one text, set in columns by the type they are in.
      const plain = length <= limit && sides.every((side) => side.state === 'fine');
      const row = element('div', name, plain ? inColumns(String(length), sides) : String(length));
      row.style.setProperty('--full', `${String(Math.min(100, (length / limit) * 100))}%`);
      if (!plain) for (const { text, state } of sides) row.append(element('span', `margin-side ${state}`, text));
      return row;
    },
  };
}

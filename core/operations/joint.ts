/** Joining two captions. */
import type { HouseStyle } from '../style/style.ts';
import { lineLength } from '../text/measures.ts';
import { linesOf, type Caption } from '../model/caption.ts';

/** What goes between two captions that are joined: a line break where one line would be too long and two are allowed. */
export function joint(a: Caption, b: Caption, style: HouseStyle): ' ' | '\n' | '' {
  if (a.text === '' || b.text === '') return '';
  const one = lineLength(`${linesOf(a).at(-1) ?? ''} ${linesOf(b)[0] ?? ''}`, style.counting);
  const lines = linesOf(a).length + linesOf(b).length;
  return one > style.text.lineLength.limit && lines <= style.text.lines.limit ? '\n' : ' ';
}

/** `fenwix styles`: the house styles that ship, or one of them as a file. */
import { shippedStyles } from '../core/style/shipped.ts';
import { takeApart } from './arguments.ts';
import type { CommandLine } from './terminal.ts';
import { json, styleAsked } from './files.ts';

/** `fenwix styles`: the house styles that ship, or one of them as a file. */
export const styles: CommandLine = (words, terminal) => {
  const { files, flags } = takeApart(words, { values: [], flags: ['json'] });
  const [name] = files;
  if (name !== undefined) terminal.say(json(styleAsked(terminal, name)));
  else if (flags.has('json')) terminal.say(json(shippedStyles));
  else
    for (const s of shippedStyles)
      terminal.say(
        `${s.id}  ${s.name}: ${String(s.text.lineLength.limit)} characters a line, ${String(s.text.lines.limit)} lines, ${String(s.reading.speed.limit)} cps\n`,
      );
  return 0;
};

/** What findings are looked for against, as the options ask. */
import type { RuleContext } from '../core/rules/finding.ts';
import type { HouseStyle } from '../core/style/style.ts';
import { parseRate, usualRate } from '../core/timing/clock/frames.ts';
import { listen } from './regions.ts';
import type { Source } from './files.ts';
import type { Terminal } from './terminal.ts';
import { CannotDo, type ParsedArguments } from './arguments.ts';

/** Options of every command that looks for findings. */
export const contextOptions = ['language', 'rate', 'sound'] as const;
export const contextUsage = '[--language TAG] [--rate FPS] [--sound FILE]';

/** Files that are read besides captions: a recording, a house style. */
export const otherSources = ({ values }: ParsedArguments): Source[] =>
  [values['sound'], values['audio'], values['style']].flatMap((path) =>
    path === undefined ? [] : [{ path, format: null }],
  );

/**
 * @param language what the file says it is in
 * @throws {CannotDo} when the rate is none
 */
export function contextOf(
  terminal: Terminal,
  { values }: ParsedArguments,
  style: HouseStyle,
  language: string | null,
): RuleContext {
  const said = values['rate'];
  const rate = said === undefined ? usualRate : parseRate(said);
  if (!rate) throw new CannotDo(`“${said ?? ''}” is not a frame rate. Say it as 25, 29.97 or 30000/1001.`);
  const sound = values['sound'];
  const heard = sound === undefined ? null : listen(terminal, sound);
  return {
    style,
    rate,
    length: heard?.length ?? null,
    language: values['language'] ?? language,
    regions: heard?.regions ?? null,
  };
}

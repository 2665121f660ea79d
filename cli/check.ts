/** `fenwix check`: what departs from a house style. */
import { plural } from '../core/text/plural.ts';
import { withIds } from '../core/formats/cue.ts';
import type { Finding } from '../core/rules/finding.ts';
import { findIn } from '../core/rules/finder.ts';
import { activeRules } from '../core/rules/findings.ts';
import { takeApart } from './arguments.ts';
import type { CommandLine } from './terminal.ts';
import { contextOf, contextUsage, contextOptions } from './context.ts';
import { json, oneFile, readCaptionFile, readingOptions, readingUsage, styleAsked } from './files.ts';

/** `fenwix check`: what a style finds in a caption file, and by its status whether anything has to be mended. */
export const check: CommandLine = (words, terminal) => {
  const given = takeApart(words, {
    values: [...readingOptions.values, ...contextOptions],
    flags: [...readingOptions.flags, 'json'],
  });
  const path = oneFile(given.files, `fenwix check FILE [--json] ${readingUsage} ${contextUsage}`);
  const style = styleAsked(terminal, given.values['style']);
  let made = 0;
  const file = readCaptionFile(terminal, path, given, style);
  const captions = withIds(file.captions, () => String(made++));
  const context = contextOf(terminal, given, style, file.language);
  // Without the recording, nothing is held against its sound.
  const asked = activeRules(style).filter(({ rule }) => rule.group !== 'Sound' || !rule.ofTime || context.regions);
  const unheard = activeRules(style).length - asked.length;
  const place = new Map(captions.map((c, i) => [c.id, i]));
  const { byCaption, must } = findIn(captions, context);
  const findings: readonly Finding[] = captions.flatMap((c) => byCaption.get(c.id) ?? []);
  const indexes = (f: Finding): number[] => f.captions.map((id) => place.get(id) ?? 0);
  if (given.flags.has('json')) {
    const report = findings.map((f) => ({
      rule: f.rule,
      severity: f.severity,
      captions: indexes(f),
      message: f.message,
      figures: f.figures,
    }));
    terminal.say(
      json({
        findings: report,
        captions: captions.length,
        style: style.name,
        rules: asked.map(({ rule }) => rule.id),
      }),
    );
  } else {
    for (const f of findings)
      terminal.say(
        `caption ${String((indexes(f)[0] ?? 0) + 1)}, ${f.rule}${f.severity === 'should' ? ' (advice)' : ''}: ${f.message}\n`,
      );
    terminal.say(
      `${plural(must, 'finding')} and ${plural(findings.length - must, 'piece')} of advice in ${plural(captions.length, 'caption')}, against ${style.name}\n`,
    );
    if (unheard > 0)
      terminal.say(`Not held against the sound (${plural(unheard, 'rule')}): name the recording with --sound FILE.\n`);
  }
  return must > 0 ? 1 : 0;
};

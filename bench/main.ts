/** `npm run bench`: prints a table and writes docs/benchmarks.json. Nothing fails here; what is not reached is said. */
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { format, resolveConfig } from 'prettier';
import { measure } from './measure.ts';
import { pageFigures, type Ratio } from './page.ts';

const round = (n: number): number => Math.round(n * 100) / 100;

// First, while the machine is at rest: the figures of the page are times, not comparisons. What the others are
// tried on is made after that.
console.log('\nA track of 5,000 captions in the page');
const measuredPage = await pageFigures();
const page = measuredPage.figures.map((f) => ({ ...f, ms: round(f.ms) }));
const floor = measuredPage.ratios.map((r) => ({ ...r, ratio: round(r.ratio) }));
function show({ name, ms, most }: { readonly name: string; readonly ms: number; readonly most: number | null }): void {
  const says =
    most === null ? '' : ms <= most ? `reached: at most ${String(most)} ms` : `NOT REACHED: at most ${String(most)} ms`;
  console.log(`  ${name.padEnd(52)} ${ms.toFixed(1).padStart(9)} ms  ${says}`);
}
function compare({ name, ratio, most }: Ratio): void {
  console.log(
    `  ${name.padEnd(52)} ${ratio.toFixed(2).padStart(9)} x   ${ratio <= most ? 'reached' : 'NOT REACHED'}: at most ${String(most)} x`,
  );
}
page.forEach(show);
console.log('\nThe same against a bare text surface with the same text, medians of five');
floor.forEach(compare);

console.log('\nThe tape, and an hour of sound');
const { tapeFigures } = await import('./tape.ts');
const measuredTape = await tapeFigures();
const tape = {
  figures: measuredTape.figures.map((f) => ({ ...f, ms: round(f.ms) })),
  ratios: measuredTape.ratios.map((r) => ({ ...r, ratio: round(r.ratio) })),
};
tape.figures.forEach(show);
tape.ratios.forEach(compare);

console.log('\nThe edit route');
const { batchFigures } = await import('./batches.ts');
const server = (await batchFigures()).map((f) => ({ ...f, ms: round(f.ms) }));
server.forEach(show);

console.log('\nProcessor time of the command line, start-up included');
const { commandLineFigures } = await import('./command-line.ts');
const commandLine = commandLineFigures();
commandLine.forEach(show);

console.log('\nRetiming and versions, one run each');
const { retimingFigures } = await import('./retiming.ts');
const retiming = (await retimingFigures()).map((f) => ({ ...f, ms: round(f.ms) }));
retiming.forEach(show);

const { formatComparisons } = await import('./formats.ts');
const { ruleComparisons } = await import('./rules.ts');
const results = [...formatComparisons, ...ruleComparisons].map(({ title, works, targets }) => {
  const measured = measure(works).map((m) => ({ ...m, ms: round(m.ms) }));
  const of = (name: string): number => measured.find((m) => m.name === name)?.ms ?? NaN;
  const ours = of('fenwix');
  const reached = targets.map(({ of: looked = 'fenwix', than, factor, says }) => {
    const fastest = Math.min(...than.map(of));
    const took = of(looked);
    return { says, ratio: Math.round((took / fastest) * 1e4) / 1e4, reached: took <= fastest * factor };
  });
  console.log(`\n${title}`);
  for (const { name, ms } of measured)
    console.log(`  ${name.padEnd(46)} ${ms.toFixed(1).padStart(9)} ms  ${(ms / ours).toFixed(2).padStart(6)} x`);
  for (const t of reached)
    console.log(`  ${t.reached ? 'reached' : 'NOT REACHED'}: ${t.says} (${t.ratio.toPrecision(2)} of its time)`);
  return { title, measured, targets: reached };
});

const report = {
  node: process.version,
  processor: cpus()[0]?.model.trim() ?? '',
  cores: cpus().length,
  results,
  page,
  floor,
  tape,
  server,
  commandLine,
  retiming,
};
const path = 'docs/benchmarks.json';
const options = await resolveConfig(path);
writeFileSync(path, await format(JSON.stringify(report), { ...options, filepath: path }));
console.log(`\nWritten to ${path}`);

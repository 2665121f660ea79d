import { commandLineFigures } from './command-line.ts';
for (const f of commandLineFigures(process.argv[2] ?? '')) if (f.ms > 1500) console.log(f.name, f.ms);

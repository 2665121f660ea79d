import { pageFigures } from './page.ts';
for (const f of await pageFigures()) console.log(f.name.padEnd(46), f.ms.toFixed(1).padStart(8), f.most ?? '');

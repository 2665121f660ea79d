/** The thread that counts. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { countingApart } from './counter.ts';

it('one that is late to go takes nothing of the one that follows it', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-counting-'));
  const program = join(folder, 'count.mjs');
  // Fails at once, and takes its time to go; the next answers only after it has gone.
  writeFileSync(
    program,
    `import { parentPort } from 'node:worker_threads';
     parentPort.on('message', (track) => {
       if (track === 'bad') throw new Error('It cannot.');
       setTimeout(() => parentPort.postMessage({ must: 3, edit: 1, basis: track }), 300);
     });`,
  );
  const counting = countingApart(program, folder);
  try {
    await expect(counting.count('bad')).rejects.toThrow('It cannot.');
    await expect(counting.count('good')).resolves.toEqual({ must: 3, edit: 1, basis: 'good' });
    await expect(counting.count('again')).resolves.toMatchObject({ basis: 'again' });
  } finally {
    await counting.close();
    rmSync(folder, { recursive: true });
  }
});

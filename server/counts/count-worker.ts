/** The thread that counts: reads the data folder by itself and answers one track after another. */
import { parentPort, workerData } from 'node:worker_threads';
import { openToRead } from '../database/open.ts';
import { editLog } from '../tracks/log.ts';
import { countMust } from './count.ts';

const db = openToRead(String(workerData));
// Each track is read once in a while, so none is kept that is longer than this.
const log = editLog(db, { cachedCaptions: 1 });

parentPort?.on('message', (track: string) => {
  countMust(db, log, track).then(
    (counted) => parentPort?.postMessage(counted),
    (error: unknown) => parentPort?.postMessage({ trouble: error instanceof Error ? error.name : 'unknown' }),
  );
});

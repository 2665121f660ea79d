/**
 * Handing over, as work: the recording is brought there if need be, the captions are sent, and the
 * destination is asked until it has taken or refused them. The receipt is written down first, and its id
 * is the key of the delivery: before anything is sent a second time the destination is asked for it.
 */
import { nothingLeftOut } from '../../core/handover/leave-out.ts';
import { plainly } from '../../core/formats/sheet.ts';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { ApiError, hasCode } from '../../core/contract/api-error.ts';
import type { Say } from '../changes.ts';
import type { Receipt } from '../../core/job/job.ts';
import { pauseAfter } from '../../core/job/work.ts';
import { missing } from '../http/errors.ts';
import { jobOf } from '../jobs/store.ts';
import { folderOf } from '../recordings/keep.ts';
import { fileOf } from '../tracks/file.ts';
import type { EditLog } from '../tracks/log.ts';
import type { Outcome, WorkRun, WorkQueue } from '../work/queue.ts';
import { addWork } from '../work/store.ts';
import { watchPageOf, type DestinationRow, type TrackThere } from './destination.ts';
import { destinationKinds } from './kinds.ts';
import { destinationRow, type ReceiptRow } from './store.ts';

/** How often a destination is asked whether it is done, in ms, at most. */
const longestBetweenLooks = 60_000;

interface Needs {
  readonly db: Knex;
  readonly log: EditLog;
  readonly queue: WorkQueue;
  readonly data: string;
}

/** Says who does the work of handing over. */
export function handleHandover({ db, log, queue, data }: Needs): void {
  interface Handing {
    readonly receipt: ReceiptRow;
    readonly to: DestinationRow;
  }

  async function handing({ work }: WorkRun): Promise<Handing> {
    const receipt = await db<ReceiptRow>('receipts').where({ id: work.subject }).first();
    if (!receipt) throw missing('This receipt');
    return { receipt, to: await destinationRow(db, receipt.destination) };
  }

  /** Writes something down of a receipt, with the work that follows. */
  const keep =
    (receipt: ReceiptRow, change: Partial<ReceiptRow>, next?: 'send-captions' | 'follow-receipt') =>
    async (tx: Knex, say: Say): Promise<void> => {
      await tx<ReceiptRow>('receipts').where({ id: receipt.id }).update(change);
      if (next) await addWork(tx, say, { kind: next, subject: receipt.id, job: receipt.job });
    };

  async function bring(run: WorkRun): Promise<Outcome> {
    const { receipt, to } = await handing(run);
    const kind = destinationKinds[to.kind];
    const job = await jobOf(db, receipt.job);
    if (!job.recording) throw missing('The recording of this job');
    const path = join(folderOf(data), job.recording.hash);
    const { size } = await stat(path).catch(() => {
      throw missing('The file of this recording');
    });
    const { type } = job.recording;
    const there =
      (await kind.recordings(to)).find((r) => r.key === job.id) ??
      (await kind.bring(
        to,
        job.id,
        { path, bytes: size, type, title: job.title, language: job.language },
        run.signal,
        run.progress,
      ));
    return { done: keep(receipt, { place: there.id }, 'send-captions') };
  }

  /** What the destination says of captions that have arrived there. */
  const arrived = (receipt: ReceiptRow, there: TrackThere, watch: string | null): Outcome => ({
    done: keep(
      receipt,
      {
        state: there.state,
        reason: there.state === 'refused' ? there.message : null,
        answer: JSON.stringify(there),
        watch,
      },
      there.state === 'processing' ? 'follow-receipt' : undefined,
    ),
  });

  const refused = (receipt: ReceiptRow, error: ApiError): Outcome => ({
    done: keep(receipt, { state: 'refused', reason: error.message }),
  });

  async function send(run: WorkRun): Promise<Outcome> {
    const { receipt, to } = await handing(run);
    const kind = destinationKinds[to.kind];
    const place = receipt.place ?? '';
    try {
      if (run.work.tries > 1) {
        const held = await kind.recording(to, place, run.signal);
        const before = held.tracks.find((t) => t.key === receipt.id);
        if (before) return arrived(receipt, before, watchPageOf(to, held));
      }
      const options = { format: receipt.format, ...nothingLeftOut, ...plainly };
      const file = await fileOf(db, log, receipt.track, options, receipt.edit);
      return arrived(
        receipt,
        await kind.send(to, place, receipt.id, { ...file, name: receipt.file }, run.signal),
        null,
      );
    } catch (error) {
      if (hasCode(error, 'destination-refused')) return refused(receipt, error);
      throw error;
    }
  }

  async function follow(run: WorkRun): Promise<Outcome> {
    const { receipt, to } = await handing(run);
    const held = await destinationKinds[to.kind].recording(to, receipt.place ?? '', run.signal);
    const there = held.tracks.find((t) => t.key === receipt.id || t.receipt === givenNumber(receipt));
    if (!there || there.state === 'processing')
      return { later: Math.min(longestBetweenLooks, pauseAfter(run.work.tries) / 2) };
    return arrived(receipt, there, watchPageOf(to, held));
  }

  queue.handle('bring-recording', bring);
  queue.handle('send-captions', send);
  queue.handle('follow-receipt', follow);
}

/** The destination’s own number, of receipts from before deliveries had keys. */
function givenNumber({ answer }: ReceiptRow): string | null {
  if (answer === null) return null;
  const given = JSON.parse(answer) as Partial<TrackThere>;
  return given.receipt ?? null;
}

/** Work for receipts that nobody is on: of folders from before it was kept as work. */
export async function resumeReceipts(tx: Knex, say: Say): Promise<void> {
  const open: readonly Receipt['state'][] = ['sending', 'processing'];
  for (const { id, job, state, place } of await tx<ReceiptRow>('receipts').whereIn('state', open))
    await addWork(tx, say, {
      kind: state === 'processing' ? 'follow-receipt' : place === null ? 'bring-recording' : 'send-captions',
      subject: id,
      job,
    });
}

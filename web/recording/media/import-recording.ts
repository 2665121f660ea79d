/** A recording from this machine, looked at, sent to the server and measured. */
import type { Recording } from '../../../core/job/job.ts';
import { ask } from '../../data/client/client.ts';
import { recordingAt } from '../../data/client/recording-at.ts';
import { stopped, uploadPoster, uploadRecording } from '../../data/client/upload.ts';
import { probe } from './probe.ts';
import type { AboutRecording } from '../sound/read-about.ts';
import { askAbout } from '../sound/sound-client.ts';

export interface ImportedRecording {
  readonly recording: Recording;
  readonly about: AboutRecording | null;
}

/** What a recording of the server’s says of itself; null where it cannot be read. */
export const aboutRecording = (hash: string): Promise<AboutRecording | null> =>
  askAbout(recordingAt(hash)).catch(() => null);

/**
 * Sends a recording that this browser can play. One that was stopped is no longer anybody’s.
 * @param tell told the share that has gone, 0 to 1, from when it is on its way
 * @throws {Error} with a sentence
 */
export async function importRecording(
  file: File,
  tell: (share: number) => void,
  signal: AbortSignal,
): Promise<ImportedRecording> {
  const { measured, poster } = await probe(file);
  const stopIfAsked = (): void => {
    if (signal.aborted) throw stopped();
  };
  stopIfAsked();
  tell(0);
  const upload = uploadRecording(file, tell);
  signal.addEventListener('abort', upload.stop, { once: true });
  const { hash } = await upload.done;
  // The same file may be another job’s recording already, under another name.
  const recording = {
    ...(await ask('PATCH /api/recordings/:hash', { params: { hash }, body: measured })),
    name: file.name,
  };
  // The list of jobs draws it later where this does not come through.
  if (poster) uploadPoster(hash, poster).catch(() => undefined);
  const about = await aboutRecording(hash);
  stopIfAsked();
  return { recording, about };
}

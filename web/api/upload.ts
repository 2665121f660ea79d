/** Sends a recording in one stream, with progress and a way to stop. */
import { away, Refusal, refusalOf } from './client.ts';
import type { Recording } from '../../core/job/job.ts';

export interface Upload {
  readonly done: Promise<Recording>;
  readonly stop: () => void;
}

/** @param progress told the share that has gone, 0 to 1 */
export function uploadRecording(file: File, progress: (share: number) => void): Upload {
  const request = new XMLHttpRequest();
  const done = new Promise<Recording>((resolve, reject) => {
    request.upload.onprogress = (event) => progress(event.total > 0 ? event.loaded / event.total : 0);
    request.onload = () => {
      const answer: unknown = request.responseText === '' ? null : JSON.parse(request.responseText);
      if (request.status < 300) resolve(answer as Recording);
      else reject(refusalOf(request.status, answer));
    };
    request.onerror = () => reject(away());
    request.onabort = () => reject(new Refusal(0, 'stopped', 'The upload was stopped. Nothing was kept of it.'));
    request.open('PUT', `/api/recordings?name=${encodeURIComponent(file.name)}`);
    request.setRequestHeader('content-type', 'application/octet-stream');
    request.send(file);
  });
  return { done, stop: () => request.abort() };
}

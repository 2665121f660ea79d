/** Sends recordings and pictures as bytes; a recording in one stream, with progress and a way to stop. */
import { ApiError, errorOf } from '../../../core/contract/api-error.ts';
import { urlOf } from '../../../core/contract/contract.ts';
import type { Recording } from '../../../core/job/job.ts';
import { jsonOf } from '../../../core/contract/ask.ts';
import { away } from './client.ts';

export interface Upload {
  readonly done: Promise<Recording>;
  readonly stop: () => void;
}

/** What an upload ends with that somebody stopped. */
export const stopped = (): ApiError => new ApiError('stopped', 'The upload was stopped. Nothing was kept of it.');

const bytes = 'application/octet-stream';

/** @param progress told the share that has gone, 0 to 1 */
export function uploadRecording(file: File, progress: (share: number) => void): Upload {
  const request = new XMLHttpRequest();
  const done = new Promise<Recording>((resolve, reject) => {
    request.upload.onprogress = (event) => progress(event.total > 0 ? event.loaded / event.total : 0);
    request.onload = () => {
      const answer = jsonOf(request.responseText);
      if (request.status < 300) resolve(answer as Recording);
      else reject(errorOf(request.status, answer));
    };
    request.onerror = () => reject(away());
    request.onabort = () => reject(stopped());
    request.open('PUT', urlOf('PUT /api/recordings', { query: { name: file.name } }));
    request.setRequestHeader('content-type', bytes);
    request.send(file);
  });
  return { done, stop: () => request.abort() };
}

const reached = (url: string, how?: RequestInit): Promise<Response> =>
  fetch(url, how).catch(() => {
    throw away();
  });
const refusal = async (response: Response): Promise<ApiError> =>
  errorOf(response.status, jsonOf(await response.text()));

/** Puts up what a page made of a recording. @throws {ApiError} */
async function put(url: string, body: Blob | Uint8Array<ArrayBuffer>): Promise<void> {
  const response = await reached(url, { method: 'PUT', headers: { 'content-type': bytes }, body });
  if (!response.ok) throw await refusal(response);
}

/** Keeps the small picture of a recording. @throws {ApiError} */
export const uploadPoster = (hash: string, picture: Blob): Promise<void> =>
  put(urlOf('PUT /api/recordings/:hash/poster', { params: { hash } }), picture);

/** Keeps how loud a sound track of a recording is. @throws {ApiError} */
export const uploadPeaks = (hash: string, track: number, cells: Uint8Array<ArrayBuffer>): Promise<void> =>
  put(urlOf('PUT /api/recordings/:hash/peaks', { params: { hash }, query: { track } }), cells);

/** How loud a recording is, as it was kept; null where nobody has read it yet. @throws {ApiError} */
export async function fetchPeaks(hash: string, track: number): Promise<Uint8Array<ArrayBuffer> | null> {
  const response = await reached(urlOf('GET /api/recordings/:hash/peaks', { params: { hash }, query: { track } }));
  if (response.status === 404) return null;
  if (!response.ok) throw await refusal(response);
  return new Uint8Array(await response.arrayBuffer());
}

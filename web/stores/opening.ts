/**
 * A job and its track, asked for as soon as it is known which: while the pieces of the page that shows
 * them are still on their way. Each is good for the
 * opening it was asked for: what was not taken then would be of an earlier moment.
 */
import { defineStore } from 'pinia';
import type { Job } from '../../core/job/job.ts';
import type { LoggedTrack } from '../../core/track/logged.ts';
import { ask } from '../api/client.ts';
import { trackToOpen } from './chosen-track.ts';

interface Opening {
  readonly job: string;
  found: Promise<Job> | null;
  track: { readonly id: string; readonly loaded: Promise<LoggedTrack> } | null;
}

/** Whoever takes it hears why it failed. */
function unheard<T>(promise: Promise<T>): Promise<T> {
  promise.catch(() => undefined);
  return promise;
}

export const useOpening = defineStore('opening', () => {
  let opening: Opening | null = null;

  function begin(job: string): void {
    const found = unheard(ask('GET /api/jobs/:id', { params: { id: job } }));
    const mine: Opening = { job, found, track: null };
    opening = mine;
    void found.then(
      (there) => {
        const id = trackToOpen(there)?.id;
        if (id !== undefined) mine.track = { id, loaded: unheard(ask('GET /api/tracks/:id', { params: { id } })) };
      },
      () => undefined,
    );
  }

  /** A job that was asked for already; null where none was. */
  function takeJob(id: string): Promise<Job> | null {
    const found = opening?.job === id ? opening.found : null;
    if (opening && found) opening.found = null;
    return found;
  }
  /** A track that was asked for already; null where none was. Whichever is opened, it is good for that one opening only. */
  function takeTrack(id: string): Promise<LoggedTrack> | null {
    const track = opening?.track ?? null;
    if (opening) opening.track = null;
    return track?.id === id ? track.loaded : null;
  }
  return { begin, takeJob, takeTrack };
});

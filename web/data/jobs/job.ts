/** The job that is open. */
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import type { JobChange } from '../../../core/contract/jobs.ts';
import type { HouseStyle } from '../../../core/style/style.ts';
import type { Beside } from '../../../core/model/history.ts';
import { hasCode, sentence } from '../../../core/contract/api-error.ts';
import { ask } from '../client/client.ts';
import { recordingAt } from '../client/recording-at.ts';
import { trackToOpen, type Job, type TrackSummary } from '../../../core/job/job.ts';
import { chooseTrack, chosenTrack } from './chosen-track.ts';
import { useMessages } from '../messages/messages.ts';
import { useOpening } from './opening.ts';
import { useServerEvents } from '../client/server-events.ts';

/** All a page shows of a job but how far its tracks are: those tell that themselves. */
const standing = (job: Job): string =>
  JSON.stringify({
    ...job,
    tracks: job.tracks.map(({ edit: _edit, captions: _captions, proofed: _proofed, ...track }) => track),
  });

export const useJob = defineStore('job', () => {
  const job = shallowRef<Job | null>(null);
  const trouble = shallowRef<string | null>(null);
  /** The server has it no more, though this page shows it still. */
  const isGone = shallowRef(false);

  const begun = useOpening();
  let opening = 0;
  /** An opening that was overtaken by another does nothing. */
  async function open(id: string): Promise<void> {
    const mine = ++opening;
    job.value = null;
    trouble.value = null;
    isGone.value = false;
    try {
      const found = await begun.job(id);
      if (mine === opening) job.value = found;
    } catch (error) {
      if (mine === opening) trouble.value = sentence(error);
    }
  }

  /** How often this page has asked for the job or changed it: an answer from before that says nothing any more. */
  let turns = 0;
  async function answered(asked: Promise<Job>): Promise<void> {
    turns++;
    const found = await asked;
    turns++;
    if (job.value?.id === found.id) job.value = found;
  }

  /** Looks again at what the job holds, after something was added to it. */
  async function refresh(): Promise<void> {
    if (job.value) await answered(ask('GET /api/jobs/:id', { params: { id: job.value.id } }));
  }
  /** Another window has changed it: its recording, its rules, which tracks it has. */
  async function lookAgain(): Promise<void> {
    const shown = job.value;
    const turn = turns;
    if (!shown) return;
    const found = await ask('GET /api/jobs/:id', { params: { id: shown.id } }).catch((error: unknown) => {
      if (hasCode(error, 'missing') && job.value?.id === shown.id) isGone.value = true;
      return null;
    });
    if (found && turn === turns && job.value?.id === found.id && standing(found) !== standing(job.value))
      job.value = found;
  }
  useServerEvents().listen((event) => {
    if (event.type === 'connected' || (event.type === 'jobs' && event.job === job.value?.id)) void lookAgain();
  });

  /** The track that is worked on. */
  const first = (): TrackSummary | null => job.value && trackToOpen(job.value, chosenTrack(job.value.id));
  function choose(track: string): void {
    if (job.value) chooseTrack(job.value.id, track);
  }

  /** @param style one of the house styles by its id, or one changed for this job only @throws {ApiError} */
  async function useStyle(style: string | HouseStyle): Promise<void> {
    if (job.value) await answered(ask('PATCH /api/jobs/:id', { params: { id: job.value.id }, body: { style } }));
  }

  /** Changes what the job is called, or says of its recording. @throws {ApiError} */
  async function change(body: Omit<JobChange, 'style'>): Promise<void> {
    if (!job.value) return;
    const asked = answered(ask('PATCH /api/jobs/:id', { params: { id: job.value.id }, body }));
    changing = asked.catch(() => undefined);
    await asked;
  }
  /** The last change, until it is answered. */
  let changing: Promise<unknown> = Promise.resolve();

  /** Takes back, or does again, what a step of a track changed of the job, unless somebody has changed the same since. */
  async function putBack({ stretch: { from, to } }: Beside): Promise<void> {
    await changing;
    const now = job.value?.stretch ?? null;
    if (now?.start !== from?.start || now?.end !== from?.end) return;
    await change({ stretch: to }).catch((error: unknown) => {
      useMessages().notice = `The captions are as they were; the part to be captioned is not: ${sentence(error)}`;
    });
  }

  const recordingUrl = computed(() => (job.value?.recording ? recordingAt(job.value.recording.hash) : null));
  return { job, trouble, isGone, recordingUrl, open, refresh, trackToOpen: first, choose, useStyle, change, putBack };
});

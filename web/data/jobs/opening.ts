/**
 * A job and its track, asked for as soon as it is known which: while the pieces of the page that shows
 * them are still on their way. Each is good for the opening it was asked for: what was not taken then
 * would be of an earlier moment.
 */
import { defineStore } from 'pinia';
import type { Job } from '../../../core/job/job.ts';
import type { LoggedTrack } from '../../../core/model/logged.ts';
import { beginOpening, type Opening } from '../client/opening.ts';
import { chosenTrack } from './chosen-track.ts';

export const useOpening = defineStore('opening', () => {
  let opening: Opening | null = null;
  let track: LoggedTrack | null = null;
  let turns = 0;

  /** Takes over what was asked for before there were stores. */
  function adopt(early: Opening): void {
    opening = early;
  }
  function begin(job: string): Opening {
    if (opening?.job !== job) opening = beginOpening(job, chosenTrack(job));
    return opening;
  }

  /** The job, with its track at hand for whoever opens that next. @throws {ApiError} */
  async function job(id: string): Promise<Job> {
    const begun = begin(id);
    const turn = ++turns;
    opening = null;
    track = null;
    const answer = await begun.answer;
    // Another job was asked for meanwhile: nobody takes this track.
    if (turn === turns) ({ track } = answer);
    return answer.job;
  }
  /** The track that came with the job; null where it is another. Whichever is opened, it is good for that one opening only. */
  function takeTrack(id: string): LoggedTrack | null {
    const taken = track;
    track = null;
    return taken?.id === id ? taken : null;
  }
  return { adopt, begin, job, takeTrack };
});

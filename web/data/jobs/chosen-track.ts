/** Which track of a job was chosen last in this browser. */

const chosenKey = (job: string): string => `fenwix-track-of-${job}`;

/** Null where none was. */
export const chosenTrack = (job: string): string | null => localStorage.getItem(chosenKey(job));

export const chooseTrack = (job: string, track: string): void => localStorage.setItem(chosenKey(job), track);

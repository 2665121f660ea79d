/** Jobs, languages and amounts as people say them. */
import { fairCopyOf, type Job } from '../../../core/job/job.ts';

/** The edit with which a track is made. */
const firstEdit = 1;

const names = new Intl.DisplayNames('en', { type: 'language', languageDisplay: 'standard' });

/** `English` for `en-GB`; the tag itself where the language is not known. */
export function languageName(tag: string): string {
  try {
    return names.of(tag.split('-')[0] ?? tag) ?? tag;
  } catch {
    return tag;
  }
}

/** Share of the fair copy that has been proofed, 0 to 1. */
export function proofedShare(job: Pick<Job, 'tracks'>): number {
  const track = fairCopyOf(job);
  return track && track.captions > 0 ? track.proofed / track.captions : 0;
}

/** Whether nobody has changed anything of what a recogniser wrote: its findings say nothing of the work. */
export function isRawDraft(job: Pick<Job, 'tracks'>): boolean {
  const track = fairCopyOf(job);
  return (
    track !== null && track.captions > 0 && track.edit <= firstEdit && job.tracks.some((t) => t.kind === 'machine')
  );
}

export function bytesInWords(bytes: number): string {
  if (bytes < 1000) return `${String(bytes)} bytes`;
  return bytes < 1_000_000 ? `${(bytes / 1000).toFixed(1)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
}

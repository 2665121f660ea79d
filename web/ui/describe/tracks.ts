/** Tracks in words. */
import type { TrackKind } from '../../../core/model/caption.ts';

/** What each kind of track is called, in the order they are offered. */
export const kindNames: Readonly<Record<TrackKind, string>> = {
  captions: 'captions',
  subtitles: 'subtitles',
  transcript: 'transcript',
  machine: 'machine draft',
};
/** The kinds to be chosen from. */
export const kindChoices = (Object.keys(kindNames) as readonly TrackKind[]).map((value) => ({
  value,
  title: kindNames[value],
}));

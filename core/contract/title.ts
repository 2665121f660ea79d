/** What titles and names have to be, for the form that asks for one and for the schema that receives it. */
import { mostCharacters } from './limits.ts';

const textFault = (text: string, missing: string, what: string, most: number): string | null => {
  const { length } = text.trim();
  if (length === 0) return missing;
  return length > most ? `The ${what} has ${String(length)} characters; at most ${String(most)} are kept.` : null;
};

/** What is wrong with the title of a job, as a sentence; null where it may stand. Space around it does not count. */
export const titleFault = (title: string): string | null =>
  textFault(title, 'Give the job a title.', 'title', mostCharacters.title);

/** What is wrong with the name of a track, as a sentence; null where it may stand. Space around it does not count. */
export const trackNameFault = (name: string): string | null =>
  textFault(name, 'Give the track a name.', 'name', mostCharacters.trackName);

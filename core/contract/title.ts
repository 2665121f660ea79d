/** What a job's title has to be, for the form that asks for it and for the schema that receives it. */
import { mostCharacters } from './limits.ts';

/** What is wrong with a title, as a sentence; null where it may stand. Space around it does not count. */
export function titleFault(title: string): string | null {
  const { length } = title.trim();
  if (length === 0) return 'Give the job a title.';
  const most = mostCharacters.title;
  return length > most ? `The title has ${String(length)} characters; at most ${String(most)} are kept.` : null;
}

/** What a person is told of what others do to the track that is open. */
import { watch } from 'vue';
import type { Track } from '../../../core/model/caption.ts';
import { editInWords } from '../../../core/model/edit-in-words.ts';
import { useJob } from '../jobs/job.ts';
import { useMessages } from '../messages/messages.ts';
import type { SyncEvent } from '../sync/sync-needs.ts';

/** The sentence for something that happened to it; null where nobody has to know. */
export function noticeOf(event: SyncEvent): string | null {
  if (event.type === 'conflict')
    return `${event.count === 1 ? 'One caption was' : `${String(event.count)} captions were`} changed here and elsewhere at the same time. Both versions are kept: go to ${event.count === 1 ? 'it' : 'each'} with F8 and choose one.`;
  if (event.type === 'skipped')
    return 'A step was passed over: others have changed the same since, and undoing it would undo their work.';
  return null;
}

/** What undo or redo did, as a sentence; null for whatever else happened. */
export const reversedInWords = (event: SyncEvent): string | null =>
  event.type === 'reversed' ? `${event.by === 'undo' ? 'Undone' : 'Done again'}: ${editInWords(event.made)}.` : null;

/** Says what happened where somebody has to know, or has asked for it. */
export function tellPerson(event: SyncEvent): void {
  const messages = useMessages();
  const [notice, remark] = [noticeOf(event), reversedInWords(event)];
  if (notice !== null) messages.notice = notice;
  if (remark !== null) messages.remark = remark;
}

/** Says so where it is deleted in another window, and no more where it is brought back. */
export function tellOfDeletion(open: () => Pick<Track, 'id'> | null): void {
  const job = useJob();
  const messages = useMessages();
  const told = (name: string): string =>
    `“${name}” was deleted in another window. What is done here is kept with it; bring it back under Tracks.`;
  watch(
    () => job.job?.deleted.find((each) => each.id === open()?.id)?.name,
    (name, before) => {
      if (name !== undefined) messages.notice = told(name);
      else if (before !== undefined && messages.notice === told(before)) messages.notice = null;
    },
  );
}

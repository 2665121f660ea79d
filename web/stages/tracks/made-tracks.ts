/** Tracks that are made of a track of the job: a copy, and one in another language. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import { mostCharacters } from '../../../core/contract/limits.ts';
import { caption, type Track } from '../../../core/model/caption.ts';
import { addTrack, copyOf, type MadeTrack } from '../../import/add-track.ts';
import { ask } from '../../data/client/client.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { newId } from '../../data/sync/ids.ts';
import { useBeside } from '../../data/tracks/beside.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';

/** The times of a track in another language, with nothing written yet: its captions begin and end with those of the other. */
export const emptyLike = (track: Pick<Track, 'captions'>, head: Pick<MadeTrack, 'name' | 'language'>): MadeTrack => ({
  ...head,
  kind: 'subtitles',
  id: newId(),
  foreign: null,
  captions: track.captions.map(({ start, end, timing, placement }) =>
    caption({ id: newId(), start, end, timing, placement, text: '' }),
  ),
});

export const useMadeTracks = defineStore('made-tracks', () => {
  const job = useJob();
  const track = useTrack();
  const beside = useBeside();
  const cursor = useCursor();
  const messages = useMessages();
  /** What came of the last one, as a sentence. */
  const added = ref('');
  /** Those that are on their way, so that one that is asked for again after a lost answer is made once. */
  const underWay = new Map<string, MadeTrack>();

  async function make(key: string, of: () => Promise<MadeTrack> | MadeTrack): Promise<MadeTrack> {
    const made = underWay.get(key) ?? (await of());
    underWay.set(key, made);
    if (!job.job) return made;
    await addTrack(job.job.id, made);
    underWay.delete(key);
    await job.refresh();
    return made;
  }
  /** A track as this page has it, with what is not saved yet, or as the server has it. */
  async function asItIs(id: string): Promise<Track> {
    const shown = track.track;
    return shown?.id === id ? { ...shown, captions: track.captions } : ask('GET /api/tracks/:id', { params: { id } });
  }
  /** @param id of the track that is copied */
  async function copy(id: string): Promise<void> {
    try {
      const made = await make(`copy of ${id}`, async () => {
        const from = await asItIs(id);
        return copyOf(from, `${from.name.slice(0, mostCharacters.trackName - 8)}, a copy`);
      });
      added.value = `“${made.name}” is now a track of this job.`;
      messages.remark = added.value;
    } catch (error) {
      messages.notice = `The track was not copied: ${sentence(error)}`;
    }
  }
  /**
   * The open track in another language, empty, with the open one beside it, and opened.
   * @throws {ApiError} when it could not be made; asked for again, it is made once
   */
  async function inLanguage(head: Pick<MadeTrack, 'name' | 'language'>): Promise<void> {
    const from = track.track;
    if (!from || !job.job) return;
    const key = `${head.language} ${head.name} of ${from.id}`;
    const made = await make(key, async () => emptyLike(await asItIs(from.id), head));
    job.choose(made.id);
    await track.open(made.id);
    beside.choose(from.id);
    const [first] = track.captions;
    if (first) cursor.goTo(first.id, 'chosen');
  }
  return { added, copy, inLanguage };
});

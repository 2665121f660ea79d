/** Versions of a track: which track’s are listed, one looked at, one gone back to. */
import { ref } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import type { HandedVersion } from '../../../core/contract/tracks.ts';
import type { TrackSummary } from '../../../core/job/job.ts';
import { backTo } from '../../../core/model/track-versions.ts';
import { ask } from '../../data/client/client.ts';
import { moment } from '../../ui/describe/versions.ts';
import { useCompared } from '../../data/tracks/compared.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';

/** @param open makes a track the one that is worked on */
export function useVersions(open: (id: string) => Promise<void>) {
  const track = useTrack();
  const compared = useCompared();
  const messages = useMessages();
  /** Id of the track whose versions are listed; empty for none. */
  const versionsOf = ref('');

  function look({ id }: TrackSummary, { edit, at }: HandedVersion): void {
    compared.version = { track: id, edit, title: `the version of ${moment(at)}` };
  }

  /** One step of work on the track as it stands here, with what is not saved yet; it is opened for that. */
  async function goBack({ id }: TrackSummary, { edit, at }: HandedVersion): Promise<void> {
    try {
      const { captions } = await ask('GET /api/tracks/:id', { params: { id }, query: { at: edit } });
      if (track.track?.id !== id) await open(id);
      if (track.track?.id !== id) return;
      const back = backTo(track.captions, captions);
      if (back) track.change(back);
      messages.remark = back
        ? `The track is what it was on ${moment(at)}; one step to undo.`
        : `The track is already what it was on ${moment(at)}.`;
    } catch (error) {
      messages.notice = `The track stays as it is: ${sentence(error)}`;
    }
  }
  return { versionsOf, look, goBack };
}

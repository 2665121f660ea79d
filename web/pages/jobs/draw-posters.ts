/** Draws the pictures that recordings still lack: of those imported by a page that was closed, or before pictures were kept. */
import type { Ask } from '../../../core/contract/contract.ts';
import { doLeased, isForPages } from '../../data/client/leased-work.ts';
import { recordingAt } from '../../data/client/recording-at.ts';
import { uploadPoster } from '../../data/client/upload.ts';
import { canBePlayed, drawPoster } from '../../recording/media/poster.ts';

/** Draws what there is to draw, one after another. @param page this page @throws what keeps the server from being asked */
export async function drawPosters(ask: Ask, page: string): Promise<void> {
  const due = (await ask('GET /api/work')).filter((w) => w.kind === 'draw-poster' && isForPages(w, Date.now()));
  for (const work of due)
    await doLeased(ask, work, page, async () => {
      const url = recordingAt(work.subject);
      const cannot = new Error('This browser cannot play this recording, so no picture of it was drawn.');
      const picture = await canBePlayed(url, cannot, drawPoster);
      if (picture) await uploadPoster(work.subject, picture);
    });
}

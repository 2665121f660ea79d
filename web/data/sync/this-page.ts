/** Who this page is to the server and to the other pages of its browser, and where it keeps what waits. */
import { openOutbox, type Outbox } from './outbox.ts';
import { livePage } from './pages.ts';

export interface ThisPage {
  /** Its name, for as long as it lives. */
  readonly client: string;
  readonly outbox: Outbox;
}

/** @param olderWindow called where a window of an older version keeps the outbox from opening */
export async function thisPage(olderWindow: () => void): Promise<ThisPage> {
  const [client, outbox] = await Promise.all([livePage(), openOutbox(olderWindow)]);
  // What waits here should outlive a browser that clears up; where it will not promise that, all else stays as it is.
  navigator.storage.persist().catch(() => undefined);
  return { client, outbox };
}

/**
 * What the server tells as it happens. All tabs of a browser share one stream, since a browser opens six
 * connections to a server at most: the tab that holds a lock has the stream and passes on what comes.
 * When that tab is closed the browser gives the lock to another.
 */
import { urlOf } from '../../../core/contract/contract.ts';
import type { ServerEvent } from '../../../core/contract/work.ts';

/** `connected`: events may have been missed, so whoever shows something looks for itself. */
export type PageEvent = ServerEvent | { readonly type: 'connected' };

const name = 'fenwix-events';
/** A stream the browser has given up is opened again after so long, in ms. */
const openAgain = 2000;

/** Opens the stream and keeps it open for as long as the page lives. */
function openStream(tell: (event: PageEvent) => void): void {
  const source = new EventSource(urlOf('GET /api/events'));
  source.onopen = () => tell({ type: 'connected' });
  source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as ServerEvent);
  source.onerror = () => {
    if (source.readyState === EventSource.CLOSED) setTimeout(() => openStream(tell), openAgain);
  };
}

/** Hears what the server tells, for as long as the page lives. */
export function hearServer(tell: (event: PageEvent) => void): void {
  const channel = new BroadcastChannel(name);
  channel.onmessage = ({ data }: MessageEvent<PageEvent>) => tell(data);
  void navigator.locks.request(name, () => {
    openStream((event) => {
      tell(event);
      channel.postMessage(event);
    });
    // Held until the page goes.
    return new Promise<never>(() => undefined);
  });
}

/** What destinations hold of a job, and what is on its way to them. */
import { computed, onMounted, ref, shallowRef } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import type { Destination, ListedRecording, Receipt } from '../../../core/job/job.ts';
import type { Work } from '../../../core/job/work.ts';
import { ask } from '../../data/client/client.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useServerEvents } from '../../data/client/server-events.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { newId } from '../../data/sync/ids.ts';

export function useHandover() {
  const job = useJob();
  const track = useTrack();
  const destinations = shallowRef<readonly Destination[]>([]);
  const receipts = shallowRef<readonly Receipt[]>([]);
  /** Work of this job, by the receipt it is for. */
  const works = shallowRef<ReadonlyMap<string, Work>>(new Map());
  const places = shallowRef<ReadonlyMap<string, readonly ListedRecording[]>>(new Map());
  const trouble = ref<string | null>(null);
  /** What went wrong with a destination, by its id. */
  const troubles = ref<Readonly<Record<string, string>>>({});

  const setTrouble = (destination: string, said: string | null): void => {
    const rest = Object.entries(troubles.value).filter(([id]) => id !== destination);
    troubles.value = Object.fromEntries(said === null ? rest : [...rest, [destination, said]]);
  };

  async function loadReceipts(): Promise<void> {
    const id = job.job?.id;
    if (id === undefined) return;
    try {
      const [held, work] = await Promise.all([
        ask('GET /api/jobs/:id/receipts', { params: { id } }),
        ask('GET /api/work', { query: { job: id } }),
      ]);
      receipts.value = held;
      // The newest last: sending follows bringing, and following sending.
      works.value = new Map(work.map((w) => [w.subject, w]));
      trouble.value = null;
    } catch (error) {
      trouble.value = sentence(error);
    }
  }

  async function loadPlaces({ id }: Destination): Promise<void> {
    try {
      const there = await ask('GET /api/destinations/:id/recordings', { params: { id } });
      places.value = new Map([...places.value, [id, there]]);
      setTrouble(id, null);
    } catch (error) {
      setTrouble(id, sentence(error));
    }
  }

  async function load(): Promise<void> {
    void loadReceipts();
    try {
      destinations.value = await ask('GET /api/destinations');
    } catch (error) {
      trouble.value = sentence(error);
    }
    await Promise.all(destinations.value.map(loadPlaces));
  }

  useServerEvents().hear((event) => {
    if (event.type === 'connected') void load();
    if (event.type !== 'work' || event.work.job !== job.job?.id) return;
    const { work } = event;
    works.value = new Map([...works.value, [work.subject, work]]);
    if (work.state === 'running') return;
    void loadReceipts();
    const to = destinations.value.find((d) => d.id === receipts.value.find((r) => r.id === work.subject)?.destination);
    if (to && work.state === 'done') void loadPlaces(to);
  });

  /** Receipts that were asked for and not answered yet, so that asking again asks for the same. */
  const wanted = new Map<string, string>();
  /** Hands the track over. @param place the recording there; null to bring this job’s there first */
  async function send({ id: destination, takes }: Destination, place: string | null): Promise<void> {
    const shown = track.track;
    const [format] = takes;
    if (!job.job || !shown || !format) return;
    setTrouble(destination, null);
    const key = [destination, place ?? '', shown.id, shown.edit].join('|');
    const id = wanted.get(key) ?? newId();
    wanted.set(key, id);
    try {
      await ask('POST /api/jobs/:id/receipts', {
        params: { id: job.job.id },
        body: { id, track: shown.id, destination, place, format },
      });
      wanted.delete(key);
      await loadReceipts();
    } catch (error) {
      setTrouble(destination, sentence(error));
    }
  }

  async function change(destination: string, work: Work, to: 'stop' | 'again'): Promise<void> {
    try {
      await ask(`POST /api/work/:id/${to}`, { params: { id: work.id } });
    } catch (error) {
      setTrouble(destination, sentence(error));
    }
  }

  const receiptOf = (destination: string): Receipt | null =>
    receipts.value.find((r) => r.destination === destination && r.track === track.track?.id) ?? null;
  /** The place there that carries this job's title, to begin with. */
  const likelyPlace = (destination: string): string =>
    receiptOf(destination)?.place ?? places.value.get(destination)?.find((p) => p.title === job.job?.title)?.id ?? '';

  const cells = computed(() =>
    destinations.value.map((destination) => {
      const receipt = receiptOf(destination.id);
      return {
        destination,
        receipt,
        work: (receipt && works.value.get(receipt.id)) ?? null,
        places: places.value.get(destination.id) ?? [],
        likely: likelyPlace(destination.id),
        trouble: troubles.value[destination.id] ?? null,
      };
    }),
  );

  onMounted(load);
  return { cells, trouble, load, send, change };
}

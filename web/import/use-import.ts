/** A file that has arrived and is looked at before it becomes a track: what it is taken for, and what can be changed about that. */
import { computed, onScopeDispose, reactive, ref, shallowRef, toRaw, toRefs, watch, type Ref } from 'vue';
import { largestCaptionFile } from '../../core/formats/encoding.ts';
import { Unreadable, type FormatName } from '../../core/formats/format.ts';
import type { ImportResult } from '../../core/formats/registry.ts';
import type { HouseStyle } from '../../core/style/style.ts';
import { sentence } from '../../core/contract/api-error.ts';
import { readFile } from './read-file.ts';

export type Import = ReturnType<typeof useImport>;

/** @param style lays out words that come without captions */
export function useImport(style: Ref<HouseStyle | null>) {
  const name = ref('');
  const bytes = shallowRef<Uint8Array | null>(null);
  const understood = shallowRef<ImportResult | null>(null);
  const trouble = ref<string | null>(null);
  const reading = ref(false);
  const asked = reactive<{ encoding: string; from: FormatName | ''; rescue: boolean; unroll: boolean }>({
    encoding: '',
    from: '',
    rescue: false,
    unroll: false,
  });

  let stopping = new AbortController();
  async function read(): Promise<void> {
    stopping.abort();
    if (!bytes.value || !style.value) return;
    const { signal } = (stopping = new AbortController());
    const wanted = {
      style: toRaw(style.value),
      encoding: asked.encoding || undefined,
      from: asked.from || undefined,
      rescue: asked.rescue,
      unroll: asked.unroll,
    };
    reading.value = true;
    try {
      const found = await readFile(bytes.value, wanted, signal);
      if (signal.aborted) return;
      understood.value = found;
      trouble.value = null;
    } catch (error) {
      if (signal.aborted) return;
      understood.value = null;
      const why = error instanceof Unreadable ? error.message : sentence(error);
      trouble.value = `${name.value}: ${why} Nothing was changed; choose another file, or another format or encoding.`;
    }
    reading.value = false;
  }

  async function take(file: File): Promise<void> {
    leave();
    name.value = file.name;
    if (file.size > largestCaptionFile) {
      trouble.value = `${file.name}: The file is over 50 MB, which no caption file is. Was the recording meant? Nothing was changed.`;
      return;
    }
    reading.value = true;
    try {
      bytes.value = new Uint8Array(await file.arrayBuffer());
      await read();
    } catch (error) {
      trouble.value = `${file.name} could not be read from the disk: ${sentence(error)} Nothing was changed.`;
    } finally {
      reading.value = false;
    }
  }

  function leave(): void {
    stopping.abort();
    reading.value = false;
    bytes.value = null;
    understood.value = null;
    trouble.value = null;
    name.value = '';
    Object.assign(asked, { encoding: '', from: '', rescue: false, unroll: false });
  }

  watch([asked, style], () => void read());
  onScopeDispose(() => stopping.abort());
  return {
    name,
    bytes,
    understood,
    trouble,
    reading,
    ...toRefs(asked),
    here: computed(() => name.value !== ''),
    take,
    leave,
  };
}

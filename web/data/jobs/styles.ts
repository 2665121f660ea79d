/** The house styles there are: those that came with Fenwix and those made here. */
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { shippedStyles } from '../../../core/style/shipped.ts';
import type { HouseStyle } from '../../../core/style/style.ts';
import { ask } from '../client/client.ts';

export const useStyles = defineStore('styles', () => {
  /** Until the server has answered, and while it is away, those that ship. */
  const all = shallowRef<readonly HouseStyle[]>(shippedStyles);
  const own = shallowRef<ReadonlySet<string>>(new Set());

  /** @throws {ApiError} */
  async function load(): Promise<void> {
    const library = await ask('GET /api/styles');
    all.value = library.styles;
    own.value = new Set(library.own);
  }

  /** @throws {ApiError} naming every fault */
  async function add(style: HouseStyle): Promise<HouseStyle> {
    const made = await ask('POST /api/styles', { body: style });
    await load();
    return made;
  }
  /** @throws {ApiError} naming every fault */
  async function save(style: HouseStyle): Promise<HouseStyle> {
    const saved = await ask('PUT /api/styles/:id', { params: { id: style.id }, body: style });
    await load();
    return saved;
  }
  /** @param instead the style that jobs should use which use this one @throws {ApiError} */
  async function remove(id: string, instead: string | null): Promise<void> {
    await ask('DELETE /api/styles/:id', { params: { id }, query: instead === null ? {} : { instead } });
    await load();
  }
  return { all, own, load, add, save, remove };
});

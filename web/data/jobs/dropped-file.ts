/** A file that was dropped somewhere on the open job, on its way to where it is looked at. */
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';

export const useDroppedFile = defineStore('dropped-file', () => {
  const file = shallowRef<File | null>(null);
  return { file };
});

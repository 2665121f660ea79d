/** What a person is told: notices that stay until they are seen, and remarks on what was just done. */
import { defineStore } from 'pinia';
import { ref } from 'vue';

export const useMessages = defineStore('messages', () => {
  /** Something a person has to know, as a sentence; it stays until they say so. */
  const notice = ref<string | null>(null);
  /** What came of the last thing that was asked for, as a sentence; set it after the change, for it goes with the next one. */
  const remark = ref<string | null>(null);
  return { notice, remark };
});

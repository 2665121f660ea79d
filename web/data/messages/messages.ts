/** What a person is told: notices that stay until they are seen, and remarks on what was just done. */
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';

/** Something that would help, to be pressed. */
export interface Offer {
  readonly title: string;
  readonly run: () => void;
}

export const useMessages = defineStore('messages', () => {
  /** Something a person has to know, as a sentence; it stays until they say so. */
  const notice = ref<string | null>(null);
  /** What came of the last thing that was asked for, as a sentence; set it after the change, for it goes with the next one. */
  const remark = ref<string | null>(null);
  /** What would help where something did not fit; they go with what they belong to. */
  const offers = shallowRef<readonly Offer[]>([]);
  watch(remark, () => (offers.value = []), { flush: 'sync' });
  /** Says what is in the way, and offers what would help. */
  function offer(sentence: string, help: readonly Offer[]): void {
    remark.value = sentence;
    offers.value = help;
  }
  function take({ run }: Offer): void {
    remark.value = null;
    run();
  }
  return { notice, remark, offers, offer, take };
});

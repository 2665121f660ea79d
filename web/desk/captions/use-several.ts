/** What is done to the captions that are selected, each as one step. */
import { computed } from 'vue';
import { joinedAll, labelled } from '../../../core/operations/several.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import type { Beside } from '../../../core/model/history.ts';
import { useFindings } from '../findings/findings.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';

export function useSeveral() {
  const track = useTrack();
  const messages = useMessages();
  const cursor = useCursor();
  const selection = useSelection();
  const findings = useFindings();

  /** The selected captions; the cursor caption where fewer than two are. */
  const captions = computed<readonly Caption[]>(() => {
    const { places: selected } = selection;
    if (selected) return track.captions.slice(selected.from, selected.to + 1);
    return cursor.caption ? [cursor.caption] : [];
  });

  function change(edit: Edit | null): void {
    if (edit && track.editable) track.change(edit);
  }
  const ids = (): string[] => captions.value.map((c) => c.id);

  function remove(): void {
    const next =
      track.captions[(selection.places?.to ?? cursor.index) + 1] ?? track.captions[(selection.places?.from ?? 0) - 1];
    const many = captions.value.length;
    change({ type: 'remove', ids: ids() });
    if (next) cursor.goTo(next.id, 'chosen');
    messages.remark = `${many === 1 ? 'One caption was' : `${String(many)} captions were`} deleted. Undo brings them back.`;
  }
  /** Everything but these captions goes. @param beside what the same step changes besides captions */
  function keepOnly(those: readonly Caption[], beside?: Beside): void {
    const kept = new Set(those.map((c) => c.id));
    const gone = track.captions.filter((c) => !kept.has(c.id)).map((c) => c.id);
    if (gone.length === 0) return;
    if (track.editable) track.change({ type: 'remove', ids: gone }, false, undefined, beside);
    messages.remark = `${gone.length === 1 ? 'One caption' : `${String(gone.length)} captions`} outside it were deleted. Undo brings them back.`;
  }
  /** Proofed, all of them; where all are already, none of them. */
  function proof(): void {
    const open = captions.value.filter((c) => !c.proofed);
    const of = open.length > 0 ? open : captions.value;
    change({ type: 'proof', ids: of.map((c) => c.id), proofed: open.length > 0 });
  }
  function join(): void {
    if (findings.context) change(joinedAll(captions.value, findings.context));
  }
  function label(speaker: string): void {
    if (findings.context) change(labelled(captions.value, speaker, findings.context));
  }
  /** The text of the selected captions, or of all, goes to the clipboard: a blank line between captions, as when it is cut out by hand. */
  async function copyText(): Promise<void> {
    const of = selection.places ? captions.value : track.captions;
    const many = of.length === 1 ? 'one caption' : `${String(of.length)} captions`;
    try {
      await navigator.clipboard.writeText(of.map((c) => c.text).join('\n\n'));
      messages.remark = `The text of ${many} is on the clipboard.`;
    } catch {
      messages.remark = 'The browser does not let pages write to the clipboard here. Select the text and copy it.';
    }
  }
  return { captions, copyText, remove, keepOnly, proof, join, label };
}

/** Repairing and letting be, the same for the monitor, Checks and the keys. */
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { Finding, RuleId } from '../../../core/rules/finding.ts';
import { ruleNamed } from '../../../core/rules/findings.ts';
import { repairOf, type Proposal, type Repaired } from '../../../core/rules/repairs/repairs.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { newId } from '../../data/sync/ids.ts';
import { useFindings } from './findings.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useWholeTrack } from './whole-track.ts';

const nothing: Proposal = { repair: null, why: 'The caption is no longer there.' };

export const useRepairs = defineStore('repairs', () => {
  /** What was done last by repairing many at once, to be read through. */
  const report = shallowRef<Pick<Repaired, 'done' | 'left'> | null>(null);
  const wholeTrack = useWholeTrack();
  const cursor = useCursor();
  const track = useTrack();
  const messages = useMessages();
  const findings = useFindings();

  /** What would repair a finding, or why nothing would. */
  function propose(finding: Finding): Proposal {
    const i = track.captions.findIndex((c) => c.id === finding.captions[0]);
    return i < 0 || !findings.context ? nothing : repairOf(track.captions, i, finding, findings.context, newId);
  }

  /** The findings of a caption as the monitor shows them, what must be repaired first, each with its proposal; doubtful words are marked where they stand. */
  const shownOf = (caption: Caption): { readonly finding: Finding; readonly proposal: Proposal }[] =>
    findings
      .of(caption.id)
      .filter((finding) => finding.rule !== 'doubtful-word')
      .sort((a, b) => Number(b.severity === 'must') - Number(a.severity === 'must'))
      .map((finding) => ({ finding, proposal: propose(finding) }));

  /** Repairs one finding; says why where it cannot be. */
  function repair(finding: Finding): void {
    if (!track.editable) return;
    const { repair: found, why } = propose(finding);
    if (found) track.change(found.edit);
    messages.remark = found
      ? `${ruleNamed(finding.rule).title}: ${found.says}`
      : `${ruleNamed(finding.rule).title} was not repaired. ${why}`;
  }

  /** Repairs all findings of a rule or of every one, as one step. @returns whether it was done */
  async function repairMany(rule: RuleId | 'every'): Promise<boolean> {
    const result = await wholeTrack.change('repair', rule);
    if (result) report.value = { done: result.done, left: result.left };
    return result !== null;
  }

  /** Keeps a finding, with a reason, out of the count, for as long as its figure gets no worse. */
  function letBe(finding: Finding, reason: string): void {
    const [id] = finding.captions;
    if (id === undefined || !track.editable) return;
    const figure = Number.isFinite(finding.figures.value) ? finding.figures.value : Number.MAX_SAFE_INTEGER;
    track.change({ type: 'letBe', id, rule: finding.rule, entry: { rule: finding.rule, reason, figure } });
  }

  function takeBack(id: string, rule: string): void {
    if (track.editable) track.change({ type: 'letBe', id, rule, entry: null });
  }

  /** Repairs the first finding of the cursor caption that can be. */
  function repairHere(): void {
    const shown = cursor.caption ? shownOf(cursor.caption) : [];
    const found = shown.find((s) => s.proposal.repair !== null) ?? shown[0];
    if (found) repair(found.finding);
    else messages.remark = 'This caption has no finding to repair.';
  }

  async function repairAll(): Promise<void> {
    const done = await repairMany('every');
    if (done && report.value)
      messages.remark = `${String(report.value.done.length)} repairs were made; ${String(report.value.left.length)} findings are left, each with its reason in Checks.`;
  }

  return { propose, shownOf, repair, repairMany, repairHere, repairAll, letBe, takeBack, report };
});

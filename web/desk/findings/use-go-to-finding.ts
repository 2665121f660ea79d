/** To the next caption with a finding, and where none is left to the next with advice. */
import { mustGo } from '../../../core/rules/findings.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { useFindings } from './findings.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';

export function useGoToFinding(): (direction: 1 | -1) => void {
  const findings = useFindings();
  const cursor = useCursor();
  const messages = useMessages();
  return (direction) => {
    const counts = (c: Caption): boolean =>
      findings.count > 0 ? mustGo(findings.of(c.id)) : findings.of(c.id).length > 0;
    if (!cursor.goToNext(direction, counts)) messages.remark = 'No caption departs from the house style.';
  };
}

/** Commands of findings and their repairs. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useGoToFinding } from '../../desk/findings/use-go-to-finding.ts';
import { useRepairs } from '../../desk/findings/repairs.ts';

export function checksCommands(): readonly Command[] {
  const dialogs = useDialogs();
  const goToFinding = useGoToFinding();
  const repairs = useRepairs();
  return inSection('Findings', [
    { id: 'finding', title: 'Next finding', keys: ['F8'], mac: ['Ctrl+g'], run: () => goToFinding(1) },
    {
      id: 'finding-before',
      title: 'Finding before',
      keys: ['Shift+F8'],
      mac: ['Ctrl+Shift+g'],
      run: () => goToFinding(-1),
    },
    {
      id: 'repair',
      title: 'Repair what the monitor shows',
      keys: ['Ctrl+e'],
      mac: ['Ctrl+r'],
      run: repairs.repairHere,
    },
    {
      id: 'repair-all',
      title: 'Repair everything that can be repaired',
      keys: [],
      run: () => void repairs.repairAll(),
    },
    {
      id: 'job-style',
      title: 'Change the house style for this job…',
      keys: [],
      run: () => (dialogs.open = 'style'),
    },
  ]);
}

/** The command that reflows captions. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';

export function reflowCommands(): readonly Command[] {
  const dialogs = useDialogs();
  return inSection('Several captions', [
    // Keys people chose for it are kept under the name it had first.
    { id: 'relay', title: 'Reflow…', keys: [], run: () => (dialogs.open = 'reflow') },
  ]);
}

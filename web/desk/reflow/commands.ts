/** The command that reflows captions. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';

export function reflowCommands(): readonly Command[] {
  const dialogs = useDialogs();
  const track = useTrack();
  return inSection('Several captions', [
    // Keys people chose for it are kept under the name it had first.
    { id: 'relay', title: 'Reflow…', keys: [], run: () => (dialogs.open = 'reflow'), whyNot: () => track.whyReadOnly },
  ]);
}

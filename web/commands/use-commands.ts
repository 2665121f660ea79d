/** Binds the commands to the job's stores and the keyboard. */
import { computed, onBeforeUnmount, onMounted, type ComputedRef } from 'vue';
import { useRouter } from 'vue-router';
import { useDialogs } from '../stores/dialogs.ts';
import { usePlace } from '../stores/place.ts';
import { usePreferences } from '../stores/preferences.ts';
import { usePlayback } from '../playback/playback.ts';
import { useTrack } from '../stores/track.ts';
import { useDeeds } from './use-deeds.ts';
import { useWordsDeeds } from '../words/use-words-deeds.ts';
import { commandsOf, type Command } from './commands.ts';
import { commandFor } from './keyboard.ts';
import { withOwnKeys } from './keys.ts';
import { isMac } from './platform.ts';

/** The commands, with the keys somebody chose. */
export function useCommands(): ComputedRef<readonly Command[]> {
  const router = useRouter();
  const track = useTrack();
  const place = usePlace();
  const playback = usePlayback();
  const deeds = useDeeds();
  const dialogs = useDialogs();

  const preferences = usePreferences();
  const words = useWordsDeeds();

  const usual = commandsOf(
    {
      toggle: playback.toggle,
      step: playback.step,
      ...deeds,
      ...words,
      loop: playback.loop,
      speed: playback.faster,
      follow: () => (place.follow = !place.follow),
      move: place.move,
      undo: track.undo,
      redo: track.redo,
      go: (to) => void router.push(to),
      dialog: (name) => (dialogs.open = name),
    },
    isMac,
  );
  const commands = computed(() => withOwnKeys(usual, preferences.keys));

  function onKey(event: KeyboardEvent): void {
    if (event.defaultPrevented || event.isComposing || dialogs.open !== null) return;
    const target = event.target as HTMLElement;
    const inText = target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
    const onControl = /^(BUTTON|A|SUMMARY|VIDEO)$/.test(target.tagName);
    const command = commandFor(commands.value, event, { inText, onControl, mac: isMac });
    if (!command) return;
    event.preventDefault();
    event.stopPropagation();
    command.run();
  }
  onMounted(() => addEventListener('keydown', onKey, true));
  onBeforeUnmount(() => removeEventListener('keydown', onKey, true));
  return commands;
}

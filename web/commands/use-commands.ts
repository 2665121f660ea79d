/** Binds the commands to the job's stores and the keyboard. */
import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { mustGo } from '../../core/rules/findings.ts';
import { joint } from '../words/surface/translate.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { usePlayback } from '../stores/playback.ts';
import { useTrack } from '../stores/track.ts';
import { commandFor, commandsOf, type Command } from './commands.ts';

export function useCommands(): { readonly commands: readonly Command[]; readonly finderOpen: Ref<boolean> } {
  const router = useRouter();
  const job = useJob();
  const track = useTrack();
  const place = usePlace();
  const playback = usePlayback();
  const findings = useFindings();
  const finderOpen = ref(false);

  function proof(): void {
    const here = place.caption;
    if (!here || !track.editable) return;
    if (!here.proofed) track.change({ type: 'proof', ids: [here.id], proofed: true });
    place.move(1);
    playback.replay(place.index, place.index);
  }

  function finding(direction: 1 | -1): void {
    const many = track.captions.length;
    for (let i = 1; i <= many; i++) {
      const next = track.captions[(place.index + direction * i + many * i) % many];
      if (next && mustGo(findings.of(next.id))) {
        place.goTo(next.id, 'chosen');
        return;
      }
    }
  }

  function timeHere(edge: 'start' | 'end'): void {
    const here = place.caption;
    if (!here || !track.editable) return;
    const start = edge === 'start' ? playback.time : here.start;
    const end = edge === 'end' ? playback.time : here.end;
    if (end <= start)
      track.notice = 'A caption has to end after it begins, so its time was left as it was. Move the playhead first.';
    else track.change({ type: 'setTimes', id: here.id, start, end });
  }

  function join(direction: 'above' | 'below'): void {
    const first = direction === 'above' ? place.index - 1 : place.index;
    const [a, b] = [track.captions[first], track.captions[first + 1]];
    if (!a || !b || !job.job || !track.editable) return;
    track.change({ type: 'join', id: a.id, next: b.id, between: joint(a, b, job.job.style) });
    place.goTo(a.id, 'chosen');
  }

  const commands = commandsOf({
    toggle: playback.toggle,
    step: playback.step,
    replay: (around) => playback.replay(place.index - around, place.index + around),
    proof,
    move: place.move,
    finding,
    timeHere,
    join,
    undo: track.undo,
    redo: track.redo,
    go: (to) => void router.push(to),
    finder: () => (finderOpen.value = true),
  });

  function onKey(event: KeyboardEvent): void {
    if (event.defaultPrevented || event.isComposing || finderOpen.value) return;
    const target = event.target as HTMLElement;
    const inText = target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
    const onControl = /^(BUTTON|A|SUMMARY|VIDEO)$/.test(target.tagName);
    const command = commandFor(commands, event, inText, onControl);
    if (!command) return;
    event.preventDefault();
    event.stopPropagation();
    command.run();
  }
  onMounted(() => addEventListener('keydown', onKey, true));
  onBeforeUnmount(() => removeEventListener('keydown', onKey, true));
  return { commands, finderOpen };
}

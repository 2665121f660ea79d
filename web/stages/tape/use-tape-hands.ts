/** What pointer, wheel and keys do on the tape. */
import type { Ref } from 'vue';
import { usePlayback } from '../../recording/playback/playback.ts';
import { isOneCharacter } from '../../ui/commands/keyboard.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useDrawn } from './drawn.ts';
import { columns } from './paint.ts';
import { useTapeView } from './tape-view.ts';
import { useDrag, type Handle } from './drag.ts';

/** A pointer that moves by fewer px than this draws and drags nothing. */
const drawnFrom = 5;

interface Hands {
  /** What a key moves the playhead by, in ms. */
  readonly step: Readonly<Ref<number>>;
  /** The text of the cursor caption is to be written. */
  readonly write: () => void;
  /** @returns whether the key was text for the caption that is worked on */
  readonly type: (key: string) => boolean;
}

export function useTapeHands(tape: Readonly<Ref<HTMLElement | null>>, { step, write, type }: Hands) {
  const view = useTapeView();
  const drag = useDrag();
  const drawn = useDrawn();
  const cursor = useCursor();
  const playback = usePlayback();

  /** Where the pointer went down in the sound; null where it did not. */
  let drawing: number | null = null;

  const timeOf = (event: MouseEvent): number =>
    view.timeAt(event.clientY - (tape.value?.getBoundingClientRect().top ?? 0));
  function take(id: string, handle: Handle, event: PointerEvent): void {
    if (event.button !== 0) return;
    event.preventDefault();
    tape.value?.setPointerCapture(event.pointerId);
    drag.begin(id, handle, timeOf(event));
  }
  /** A caption whose body is pressed, until it is moved or let go, and where the pointer went down. */
  let pressed: { readonly id: string; readonly y: number; readonly at: number } | null = null;
  function press(id: string, event: PointerEvent): void {
    if (event.button === 0) pressed = { id, y: event.clientY, at: timeOf(event) };
  }
  function onMove(event: PointerEvent): void {
    if (pressed && event.buttons === 0) pressed = null;
    if (pressed && Math.abs(event.clientY - pressed.y) >= drawnFrom) {
      tape.value?.setPointerCapture(event.pointerId);
      drag.begin(pressed.id, 'whole', pressed.at);
      pressed = null;
    }
    if (drawing !== null) {
      if (drawn.stretch || Math.abs(event.clientY - drawing) >= drawnFrom) drawn.drawTo(timeOf(event));
    } else if (drag.held)
      drag.move(timeOf(event), { alone: event.shiftKey, push: event.ctrlKey || event.metaKey, free: event.altKey });
  }
  const isOnSound = (event: MouseEvent): boolean =>
    event.clientX - (tape.value?.getBoundingClientRect().left ?? 0) < columns.sound + columns.soundWidth;
  function onDown(event: PointerEvent): void {
    if (event.button !== 0 || !isOnSound(event)) return;
    playback.seek(timeOf(event));
    drawn.begin(timeOf(event));
    drawing = event.clientY;
    tape.value?.setPointerCapture(event.pointerId);
  }
  function onUp(): void {
    [drawing, pressed] = [null, null];
    drag.finish();
  }
  /** Pressed twice, the sound plays from there. */
  function onDouble(event: MouseEvent): void {
    if (isOnSound(event)) playback.play();
  }
  function onWheel(event: WheelEvent): void {
    if (event.ctrlKey) view.zoom(Math.exp(event.deltaY / 400), timeOf(event));
    else {
      cursor.follow = false;
      const px = event.deltaMode === 1 ? event.deltaY * 24 : event.deltaY;
      view.turn(px / view.height);
    }
  }
  function onKey(event: KeyboardEvent): void {
    if (event.key === 'Escape' && drag.held) drag.cancel();
    else if (event.key === 'Escape' && drawn.stretch) drawn.clear();
    else if (event.ctrlKey || event.metaKey || event.altKey || event.target !== tape.value) return;
    else if (event.key === 'Enter') write();
    else if (event.key !== ' ' && isOneCharacter(event.key) && type(event.key)) {
      // It is typed.
    } else if (event.key === 'ArrowLeft') playback.seek(playback.time - step.value);
    else if (event.key === 'ArrowRight') playback.seek(playback.time + step.value);
    else if (event.key === 'ArrowUp') cursor.move(-1);
    else if (event.key === 'ArrowDown') cursor.move(1);
    else if (event.key === 'PageUp') view.turn(-0.8);
    else if (event.key === 'PageDown') view.turn(0.8);
    else if (event.key === '+' || event.key === '=') view.closer(playback.time);
    else if (event.key === '-') view.further(playback.time);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  return { take, press, onMove, onDown, onUp, onDouble, onWheel, onKey };
}

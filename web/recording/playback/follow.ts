/** The cursor caption goes along with the playhead. */
import { captionAt, type Caption } from '../../../core/model/caption.ts';

/** A caption is followed for so long after its end, in ms: in the pause after it, it is still what was heard last. */
const lingers = 500;

/** The caption that is heard at a moment, or was heard a moment ago. @param time in ms */
export function captionHeard(captions: readonly Caption[], time: number): Caption | null {
  const here = captions[captionAt(captions, time)];
  return here && time < here.end + lingers ? here : null;
}

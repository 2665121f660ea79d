/**
 * Plays a stretch of sound again and again, with ends exact to the sample: decoded beforehand and handed to Web Audio,
 * each pass begun at a moment of its own. What moves meanwhile counts from the next pass on.
 */
import type { PieceRequest, SoundPiece } from '../sound/read-piece.ts';

/** In seconds. */
export interface Pass {
  readonly from: number;
  readonly until: number;
  /** What the stretch lies around: where a click is heard, if one is wanted. */
  readonly at: number;
}

export interface ExactLoop {
  /** Begins with this stretch. @returns false where the sound cannot be had */
  readonly begin: (pass: Pass) => Promise<boolean>;
  readonly move: (pass: Pass) => void;
  readonly stop: () => void;
  readonly runs: () => boolean;
}

/** So much more is decoded on both sides, in seconds, so that an edge can be moved without waiting. */
const beyond = 4;
/** A pass begins so long after it is asked for, and after the one before, in seconds: less is late on a busy machine. */
const ahead = 0.04;
/** The click: its length in seconds, its pitch in Hz, how loud it is at most. */
const click = { length: 0.012, pitch: 1800, loud: 0.25 };

/** Where sound goes, so loud. @param volume from 0 to 1 */
function loudness(context: AudioContext, volume: number): AudioNode {
  const gain = context.createGain();
  gain.gain.value = volume;
  gain.connect(context.destination);
  return gain;
}
function clickAt(context: AudioContext, when: number, volume: number): void {
  const [tone, gain] = [context.createOscillator(), context.createGain()];
  tone.frequency.value = click.pitch;
  gain.gain.setValueAtTime(click.loud, when);
  gain.gain.exponentialRampToValueAtTime(0.001, when + click.length);
  tone.connect(gain).connect(loudness(context, volume));
  tone.start(when);
  tone.stop(when + click.length);
}

/**
 * @param decode has a piece of the sound decoded; null where there is none
 * @param ready brings the picture to where a pass begins, before that begins
 * @param onPass told as a pass begins, so that the picture goes along
 * @param how whether the moment itself is to be heard, and how loud all of it is, from 0 to 1
 */
export function exactLoop(
  decode: (piece: Pick<PieceRequest, 'from' | 'until'>) => Promise<SoundPiece | null>,
  ready: (pass: Pass) => Promise<void>,
  onPass: () => void,
  how: () => { readonly click: boolean; readonly volume: number },
): ExactLoop {
  let context: AudioContext | null = null;
  let buffer: AudioBuffer | null = null;
  let start = 0;
  let next: Pass | null = null;
  let playing: AudioBufferSourceNode | null = null;
  let turn = 0;

  const holds = ({ from, until }: Pass): boolean =>
    buffer !== null && from >= start && until <= start + buffer.duration + 1e-3;
  async function load(pass: Pass, mine: number): Promise<boolean> {
    const from = Math.max(0, pass.from - beyond);
    const piece = await decode({ from, until: pass.until + beyond });
    if (!piece || piece.channels.length === 0 || mine !== turn) return false;
    context ??= new AudioContext();
    const made = context.createBuffer(piece.channels.length, piece.channels[0]?.length ?? 1, piece.rate);
    piece.channels.forEach((channel, i) => made.copyToChannel(channel, i));
    [buffer, start] = [made, piece.from];
    return true;
  }
  async function play(mine: number): Promise<void> {
    const pass = next;
    if (!pass || mine !== turn) return;
    if (!holds(pass) && !(await load(pass, mine))) return;
    if (!context || !buffer || mine !== turn) return;
    await Promise.all([context.resume(), ready(pass)]);
    if (mine !== turn) return;
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.connect(loudness(context, how().volume));
    const when = context.currentTime + ahead;
    source.start(when, pass.from - start, pass.until - pass.from);
    if (how().click) clickAt(context, when + pass.at - pass.from, how().volume);
    source.onended = () => {
      play(mine).catch(stop);
    };
    playing = source;
    onPass();
  }
  function stop(): void {
    turn++;
    next = null;
    if (playing) playing.onended = null;
    playing?.stop();
    playing = null;
  }
  return {
    async begin(pass) {
      stop();
      const mine = turn;
      next = pass;
      try {
        await play(mine);
      } catch {
        // Told by what it returns: whoever asked plays it another way.
      }
      // Something else was asked for meanwhile, or it is on its way.
      if (mine !== turn || playing) return true;
      next = null;
      return false;
    },
    move(pass) {
      if (next) next = pass;
    },
    stop,
    runs: () => next !== null,
  };
}

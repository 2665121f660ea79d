/** What the stand-in holds, and how it can be set up and made to behave. */
import Joi from 'joi';

export interface HeldRecording {
  readonly id: string;
  readonly title: string;
  /** Path of the recording on disk. */
  readonly file: string;
  readonly mediaType: string;
  /** The track the host's own recogniser made, as WebVTT. */
  readonly machineTrack: string;
  readonly language: string;
  /** What whoever brought it here calls it; null for the host’s own. */
  readonly key: string | null;
}

export interface HostSetup {
  readonly token: string;
  readonly recordings: readonly Omit<HeldRecording, 'key'>[];
  /** Folder for recordings that are brought here. */
  readonly folder: string;
  /** How long a file is processed, in ms. */
  readonly processing: number;
}

export interface HeldTrack {
  readonly file: string;
  readonly language: string;
  readonly kind: 'machine' | 'captions';
  readonly state: 'processing' | 'live' | 'refused';
  readonly receipt: string;
  /** The key it was delivered under. */
  readonly key: string | null;
  readonly message: string;
  readonly vtt: string;
}

/** How the stand-in behaves; changed by `POST /behave`, for trying what a bad day looks like. */
export interface Behaviour {
  /** Why everything is refused; null to take it. */
  readonly refuse: string | null;
  /** Out of order. */
  readonly fail: boolean;
  /** Takes what is sent, then breaks off without an answer. */
  readonly mute: boolean;
  /** How long it waits before it answers what is sent, in ms. */
  readonly slow: number;
}

export const behavedWell: Behaviour = { refuse: null, fail: false, mute: false, slow: 0 };

export const behaviour = Joi.object<Partial<Behaviour>>({
  refuse: Joi.string().allow(null),
  fail: Joi.boolean(),
  mute: Joi.boolean(),
  slow: Joi.number().integer().min(0),
});

const text = Joi.string().required();
export const setupSchema = Joi.object<HostSetup>({
  token: text,
  recordings: Joi.array()
    .items(
      Joi.object<HostSetup['recordings'][number]>({
        id: text,
        title: text,
        file: text,
        mediaType: text,
        machineTrack: text,
        language: text,
      }),
    )
    .required(),
  folder: text,
  processing: Joi.number().integer().min(0).required(),
});

export const brought = Joi.object<{ readonly title: string; readonly type: string; readonly language: string }>({
  title: text,
  type: text,
  language: text,
});

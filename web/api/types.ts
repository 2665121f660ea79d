/** What the server gives out, as the interface uses it. */
import type { FrameRate, HouseStyle } from '../../core/rules/style.ts';
import type { TrackKind } from '../../core/track/caption.ts';

export interface Recording {
  readonly hash: string;
  readonly name: string;
  readonly type: string;
  readonly bytes: number;
  /** In ms; null until it has been measured. */
  readonly length: number | null;
  readonly width: number | null;
  readonly height: number | null;
}

export interface TrackSummary {
  readonly id: string;
  readonly kind: TrackKind;
  readonly language: string;
  readonly name: string;
  readonly edit: number;
  readonly captions: number;
  readonly proofed: number;
}

export interface Job {
  readonly id: string;
  readonly title: string;
  readonly series: string;
  readonly language: string;
  readonly rate: FrameRate;
  readonly style: HouseStyle;
  readonly made: number;
  readonly recording: Recording | null;
  readonly tracks: readonly TrackSummary[];
}

export interface Standing {
  readonly findings: number | null;
  readonly held: readonly { readonly destination: string; readonly state: string; readonly behind: boolean }[];
}

export interface Destination {
  readonly id: string;
  readonly name: string;
  readonly kind: 'video-host';
  readonly url: string;
}

export interface PlaceThere {
  readonly id: string;
  readonly title: string;
  readonly tracks: readonly {
    readonly language: string;
    readonly kind: 'machine' | 'captions';
    readonly state: string;
  }[];
}

export interface Receipt {
  readonly id: string;
  readonly track: string;
  readonly destination: string;
  readonly place: string;
  readonly file: string;
  readonly edit: number;
  readonly state: 'processing' | 'live' | 'refused';
  readonly watch: string | null;
  readonly at: number;
}

/** What a thread of the server does: heavy work on a design, away from the thread that answers everybody. */
import type { Analysis } from '@/core';
import type { BoatState, Design, ReadProblem } from '@/core/design';
import type { Unpacked } from '../archive';

/** JSON text ready to be sent, or why the request was not understood. */
export type Answered =
  | { readonly ok: true; readonly json: string }
  | { readonly ok: false; readonly message: string; readonly problems: readonly ReadProblem[] };

export interface DrawingAsked {
  readonly rails: 'one line' | 'both' | 'earths' | 'AC';
  readonly sheet: 'A3' | 'A4' | 'letter';
}

export interface Jobs {
  /** The first view's analysis of a stored design. */
  readonly analysis: (design: Design) => Analysis;
  /** How far a boat is, for the list of boats. */
  readonly state: (design: Design) => BoatState;
  /** POST /api/analyse: the text of a design file, and the drawing where it is asked for. */
  readonly analyse: (text: string, drawing: DrawingAsked | null) => Answered | Promise<Answered>;
  readonly propose: (text: string) => Answered;
  readonly scratch: (text: string) => Answered;
  readonly pack: (
    design: Design,
    photos: ReadonlyMap<string, Uint8Array>,
    texts: { readonly history: string; readonly records: string; readonly measured: string },
    days: ReadonlyMap<string, Uint8Array>,
  ) => Uint8Array;
  readonly unpack: (zip: Uint8Array) => Unpacked;
}

export type JobName = keyof Jobs;
export type JobResult<N extends JobName> = Awaited<ReturnType<Jobs[N]>>;

export interface JobMessage {
  readonly id: number;
  readonly job: JobName;
  readonly args: readonly unknown[];
}

export type JobReply =
  | { readonly id: number; readonly ok: true; readonly value: unknown }
  | { readonly id: number; readonly ok: false; readonly message: string };

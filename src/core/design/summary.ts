/** A boat in the list of all, and how far she is. */
import * as v from 'valibot';

/** A boat in the list of all. */
export interface BoatSummary {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** Of the last edit, ms since 1970. */
  readonly updatedAt: number;
  readonly systemV: number;
  readonly lengthM: number;
  readonly loads: number;
  readonly circuits: number;
  /** Its design is cut or is none: it is listed, and what there is can be taken away. */
  readonly damaged: boolean;
  /** What is wrong with it, where that is known. */
  readonly problem: string | null;
  /** How far she is; null: not calculated yet. */
  readonly state: BoatState | null;
  /** The state is of an older revision. */
  readonly stateOld: boolean;
}

/** How far a boat is: findings open by severity, loads on circuits, lengths taped; and what a small picture of her takes. */
export const BoatStateSchema = v.object({
  stops: v.number(),
  fixes: v.number(),
  notes: v.number(),
  loads: v.number(),
  /** Loads that are on a circuit. */
  wired: v.number(),
  /** Stretches of DC run, and those whose length is taped. */
  runs: v.number(),
  taped: v.number(),
  photoId: v.nullable(v.string()),
  lengthM: v.number(),
  beamM: v.number(),
  feet: v.boolean(),
});
export type BoatState = v.InferOutput<typeof BoatStateSchema>;

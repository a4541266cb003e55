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
}

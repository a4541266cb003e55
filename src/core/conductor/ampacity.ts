/** Derated ampacity of a conductor in the places its run passes (docs/methods.md, M2). */
import {
  bundleFactor,
  type Conductor,
  type Enclosure,
  ENCLOSURE_FACTOR,
  ENGINE_SPACE,
  INSULATION_RATINGS,
  MIN_ENGINE_SPACE_RATING_C,
  type School,
} from '../rules';

export interface Surroundings {
  readonly ambientC: number;
  readonly engineSpace: boolean;
  readonly wet: boolean;
}

export interface Laying {
  readonly insulationC: number;
  /** Loaded conductors lying together, this pair included. */
  readonly bundled: number;
  readonly enclosure: Enclosure;
}

export interface Derating {
  /** Table column used and the conductor temperature it stands for, degC. */
  readonly ratingC: number;
  readonly fAmbient: number;
  readonly fBundle: number;
  readonly fEnclosure: number;
  readonly factor: number;
  readonly ambientC: number;
  /** Why the place does not allow the conductor at all, or null. */
  readonly refusal: string | null;
}

/** The table column for an insulation rating: the highest not above it (the metric 85 column serves 85 to 90 degC). */
export function columnC(school: School, insulationC: number): number {
  const columns = INSULATION_RATINGS[school];
  return columns.reduce((best, c) => (c <= insulationC ? c : best), columns[0] ?? 60);
}

/**
 * Factors on the ampacity column in one place. In a wet place 105 degC boat cable counts as 75 degC.
 * Ambient factor = min(1, engine-space value where it is one, sqrt((Tr - Ta)/(Tr - 30))); Ta >= Tr - 5 is refused.
 */
export function derate(school: School, laying: Laying, around: Surroundings): Derating {
  const insulationC = around.wet && laying.insulationC >= 105 ? 75 : laying.insulationC;
  const ratingC = columnC(school, insulationC);
  const fBundle = bundleFactor(school, laying.bundled);
  const fEnclosure = ENCLOSURE_FACTOR[laying.enclosure];
  const { ambientC } = around;
  let refusal: string | null = null;
  if (ambientC >= ratingC - 5) refusal = `its surroundings are nearly as hot as its insulation may be, ${ratingC} °C`;
  else if (around.engineSpace && ratingC < MIN_ENGINE_SPACE_RATING_C) refusal = '60 °C insulation is not for engine spaces';
  const byHeat = ratingC > ambientC ? Math.sqrt((ratingC - ambientC) / (ratingC - 30)) : 0;
  const byTable = around.engineSpace ? (ENGINE_SPACE[school][ratingC] ?? 0) : 1;
  const fAmbient = refusal ? 0 : Math.min(1, byTable, byHeat);
  return { ratingC, fAmbient, fBundle, fEnclosure, factor: fAmbient * fBundle * fEnclosure, ambientC, refusal };
}

/** Derated ampacity, A. 0 where the place refuses the conductor. */
export const ampacityA = (conductor: Conductor, derating: Derating): number =>
  (conductor.ampacityA[derating.ratingC] ?? 0) * derating.factor;

/**
 * Which of several places rules for a run: the one whose derated ampacity is least. Column and factor both count,
 * so a mid-table conductor of the school decides between a wet and a hot place.
 * @returns index into places; -1 for none.
 */
export function rulingPlace(conductor: Conductor, deratings: readonly Derating[]): number {
  let worst = -1;
  let least = Infinity;
  deratings.forEach((d, i) => {
    const iz = ampacityA(conductor, d);
    if (iz < least) {
      least = iz;
      worst = i;
    }
  });
  return worst;
}

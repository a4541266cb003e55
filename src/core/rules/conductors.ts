/** Conductor tables of both schools. Typed data; every figure names its source. */

export type School = 'awg' | 'metric';

/** One conductor size. Ampacity columns are keyed by insulation rating in degC, values in A (30 degC ambient, not bundled). */
export interface Conductor {
  readonly school: School;
  /** '10' or '2/0' in the awg school; '2.5' in the metric school. */
  readonly size: string;
  readonly areaMm2: number;
  /** One conductor at 20 degC. */
  readonly r20OhmPerKm: number;
  readonly ampacityA: Readonly<Record<number, number>>;
  readonly odMm: number;
  readonly massKgPerKm: number;
}

export const AWG_SOURCE = {
  resistance: 'ASTM B258 geometry; 17.241 ohm mm2/km x 1.04 for lay and tinning',
  ampacity: 'North American small-craft DC ampacity table (ABYC E-11); verify against the edition in force',
  dimensions: "typical single tinned boat cable; the maker's sheet rules",
} as const;

export const METRIC_SOURCE = {
  resistance: 'IEC 60228 class 5 tinned copper, maximum at 20 degC',
  ampacity: 'ISO small-craft ampacity table (ISO 13297:2020); verify against the edition in force',
  dimensions: "typical single tinned boat cable; the maker's sheet rules",
} as const;

type Row = readonly [size: string, areaMm2: number, r20: number, amps: readonly number[], odMm: number, kgPerKm: number];

const AWG_RATINGS = [60, 75, 80, 90, 105, 125] as const;
const AWG_ROWS: readonly Row[] = [
  ['18', 0.823, 21.79, [10, 10, 15, 20, 20, 25], 2.7, 14],
  ['16', 1.309, 13.7, [15, 15, 20, 25, 25, 30], 3.0, 19],
  ['14', 2.081, 8.617, [20, 20, 25, 30, 35, 40], 3.4, 27],
  ['12', 3.309, 5.419, [25, 25, 35, 40, 45, 50], 3.9, 40],
  ['10', 5.261, 3.408, [40, 40, 50, 55, 60, 70], 4.8, 63],
  ['8', 8.366, 2.143, [55, 65, 70, 70, 80, 90], 6.4, 104],
  ['6', 13.302, 1.348, [80, 95, 100, 100, 120, 125], 7.6, 158],
  ['4', 21.151, 0.8478, [105, 125, 130, 135, 160, 170], 9.3, 245],
  ['3', 26.67, 0.6723, [120, 145, 150, 155, 180, 195], 10.2, 304],
  ['2', 33.631, 0.5332, [140, 170, 175, 180, 210, 225], 11.2, 377],
  ['1', 42.408, 0.4228, [165, 195, 210, 210, 245, 265], 12.8, 481],
  ['1/0', 53.475, 0.3353, [195, 230, 245, 245, 285, 305], 13.8, 590],
  ['2/0', 67.431, 0.2659, [225, 265, 285, 285, 330, 355], 15.2, 734],
  ['3/0', 85.029, 0.2109, [260, 310, 330, 330, 385, 410], 16.9, 920],
  ['4/0', 107.219, 0.1672, [300, 360, 385, 385, 445, 475], 18.6, 1145],
];

const METRIC_RATINGS = [60, 70, 85, 105, 125] as const;
const METRIC_ROWS: readonly Row[] = [
  ['0.75', 0.75, 26.7, [6, 10, 12, 16, 20], 2.5, 12],
  ['1', 1, 20.0, [8, 14, 18, 20, 25], 2.7, 15],
  ['1.5', 1.5, 13.7, [12, 18, 21, 25, 30], 3.0, 20],
  ['2.5', 2.5, 8.21, [17, 25, 30, 35, 40], 3.6, 32],
  ['4', 4, 5.09, [22, 35, 40, 45, 50], 4.3, 49],
  ['6', 6, 3.39, [29, 45, 50, 60, 70], 5.0, 70],
  ['10', 10, 1.95, [40, 65, 70, 90, 100], 6.5, 117],
  ['16', 16, 1.24, [54, 90, 100, 130, 150], 7.9, 182],
  ['25', 25, 0.795, [71, 120, 140, 170, 185], 9.7, 281],
  ['35', 35, 0.565, [87, 160, 185, 210, 225], 11.0, 382],
  ['50', 50, 0.393, [105, 210, 230, 270, 300], 13.0, 542],
  ['70', 70, 0.277, [135, 265, 285, 330, 360], 15.0, 746],
  ['95', 95, 0.21, [165, 310, 330, 390, 410], 17.0, 996],
  ['120', 120, 0.164, [190, 360, 400, 450, 480], 19.0, 1253],
  ['150', 150, 0.132, [220, 380, 430, 475, 520], 21.0, 1556],
];

const table = (school: School, ratings: readonly number[], rows: readonly Row[]): readonly Conductor[] =>
  rows.map(([size, areaMm2, r20OhmPerKm, amps, odMm, massKgPerKm]) => ({
    school,
    size,
    areaMm2,
    r20OhmPerKm,
    ampacityA: Object.fromEntries(ratings.map((rating, i) => [rating, amps[i] ?? 0])),
    odMm,
    massKgPerKm,
  }));

/** Conductors in ascending area, by school. */
export const CONDUCTORS: Readonly<Record<School, readonly Conductor[]>> = {
  awg: table('awg', AWG_RATINGS, AWG_ROWS),
  metric: table('metric', METRIC_RATINGS, METRIC_ROWS),
};

/** Insulation ratings that have an ampacity column, ascending, degC. */
export const INSULATION_RATINGS: Readonly<Record<School, readonly number[]>> = { awg: AWG_RATINGS, metric: METRIC_RATINGS };

/** The conductor of that size, or undefined when the school has none. */
export const findConductor = (school: School, size: string): Conductor | undefined => CONDUCTORS[school].find((c) => c.size === size);

/**
 * A conductor under a school's ampacity columns. One of the other school's sizes is given those of the school's own size next below it
 * in copper: never more than it has.
 */
export function underSchool(conductor: Conductor, school: School): Conductor {
  if (conductor.school === school) return conductor;
  const own = CONDUCTORS[school];
  const below = [...own].reverse().find((c) => c.areaMm2 <= conductor.areaMm2 + 1e-9) ?? own[0];
  return { ...conductor, ampacityA: below?.ampacityA ?? {} };
}

/** The thinnest conductor of at least that copper area, or undefined when the table ends below it. */
export const conductorOfArea = (school: School, areaMm2: number): Conductor | undefined =>
  CONDUCTORS[school].find((c) => c.areaMm2 >= areaMm2 - 1e-9);

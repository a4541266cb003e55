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
  resistance: 'IEC 60228 class 5 tinned copper, maximum at its reference temperature',
  ampacity: 'ISO small-craft ampacity table (ISO 13297:2020); verify against the edition in force',
  dimensions: "typical single tinned boat cable; the maker's sheet rules",
} as const;

const AWG_SIZES: readonly Conductor[] = [
  {
    school: 'awg',
    size: '18',
    areaMm2: 0.823,
    r20OhmPerKm: 21.79,
    ampacityA: { 60: 10, 75: 10, 80: 15, 90: 20, 105: 20, 125: 25 },
    odMm: 2.7,
    massKgPerKm: 14,
  },
  {
    school: 'awg',
    size: '16',
    areaMm2: 1.309,
    r20OhmPerKm: 13.7,
    ampacityA: { 60: 15, 75: 15, 80: 20, 90: 25, 105: 25, 125: 30 },
    odMm: 3,
    massKgPerKm: 19,
  },
  {
    school: 'awg',
    size: '14',
    areaMm2: 2.081,
    r20OhmPerKm: 8.617,
    ampacityA: { 60: 20, 75: 20, 80: 25, 90: 30, 105: 35, 125: 40 },
    odMm: 3.4,
    massKgPerKm: 27,
  },
  {
    school: 'awg',
    size: '12',
    areaMm2: 3.309,
    r20OhmPerKm: 5.419,
    ampacityA: { 60: 25, 75: 25, 80: 35, 90: 40, 105: 45, 125: 50 },
    odMm: 3.9,
    massKgPerKm: 40,
  },
  {
    school: 'awg',
    size: '10',
    areaMm2: 5.261,
    r20OhmPerKm: 3.408,
    ampacityA: { 60: 40, 75: 40, 80: 50, 90: 55, 105: 60, 125: 70 },
    odMm: 4.8,
    massKgPerKm: 63,
  },
  {
    school: 'awg',
    size: '8',
    areaMm2: 8.366,
    r20OhmPerKm: 2.143,
    ampacityA: { 60: 55, 75: 65, 80: 70, 90: 70, 105: 80, 125: 90 },
    odMm: 6.4,
    massKgPerKm: 104,
  },
  {
    school: 'awg',
    size: '6',
    areaMm2: 13.302,
    r20OhmPerKm: 1.348,
    ampacityA: { 60: 80, 75: 95, 80: 100, 90: 100, 105: 120, 125: 125 },
    odMm: 7.6,
    massKgPerKm: 158,
  },
  {
    school: 'awg',
    size: '4',
    areaMm2: 21.151,
    r20OhmPerKm: 0.8478,
    ampacityA: { 60: 105, 75: 125, 80: 130, 90: 135, 105: 160, 125: 170 },
    odMm: 9.3,
    massKgPerKm: 245,
  },
  {
    school: 'awg',
    size: '3',
    areaMm2: 26.67,
    r20OhmPerKm: 0.6723,
    ampacityA: { 60: 120, 75: 145, 80: 150, 90: 155, 105: 180, 125: 195 },
    odMm: 10.2,
    massKgPerKm: 304,
  },
  {
    school: 'awg',
    size: '2',
    areaMm2: 33.631,
    r20OhmPerKm: 0.5332,
    ampacityA: { 60: 140, 75: 170, 80: 175, 90: 180, 105: 210, 125: 225 },
    odMm: 11.2,
    massKgPerKm: 377,
  },
  {
    school: 'awg',
    size: '1',
    areaMm2: 42.408,
    r20OhmPerKm: 0.4228,
    ampacityA: { 60: 165, 75: 195, 80: 210, 90: 210, 105: 245, 125: 265 },
    odMm: 12.8,
    massKgPerKm: 481,
  },
  {
    school: 'awg',
    size: '1/0',
    areaMm2: 53.475,
    r20OhmPerKm: 0.3353,
    ampacityA: { 60: 195, 75: 230, 80: 245, 90: 245, 105: 285, 125: 305 },
    odMm: 13.8,
    massKgPerKm: 590,
  },
  {
    school: 'awg',
    size: '2/0',
    areaMm2: 67.431,
    r20OhmPerKm: 0.2659,
    ampacityA: { 60: 225, 75: 265, 80: 285, 90: 285, 105: 330, 125: 355 },
    odMm: 15.2,
    massKgPerKm: 734,
  },
  {
    school: 'awg',
    size: '3/0',
    areaMm2: 85.029,
    r20OhmPerKm: 0.2109,
    ampacityA: { 60: 260, 75: 310, 80: 330, 90: 330, 105: 385, 125: 410 },
    odMm: 16.9,
    massKgPerKm: 920,
  },
  {
    school: 'awg',
    size: '4/0',
    areaMm2: 107.219,
    r20OhmPerKm: 0.1672,
    ampacityA: { 60: 300, 75: 360, 80: 385, 90: 385, 105: 445, 125: 475 },
    odMm: 18.6,
    massKgPerKm: 1145,
  },
];

const METRIC_SIZES: readonly Conductor[] = [
  {
    school: 'metric',
    size: '0.75',
    areaMm2: 0.75,
    r20OhmPerKm: 26.7,
    ampacityA: { 60: 6, 70: 10, 85: 12, 105: 16, 125: 20 },
    odMm: 2.5,
    massKgPerKm: 12,
  },
  {
    school: 'metric',
    size: '1',
    areaMm2: 1,
    r20OhmPerKm: 20,
    ampacityA: { 60: 8, 70: 14, 85: 18, 105: 20, 125: 25 },
    odMm: 2.7,
    massKgPerKm: 15,
  },
  {
    school: 'metric',
    size: '1.5',
    areaMm2: 1.5,
    r20OhmPerKm: 13.7,
    ampacityA: { 60: 12, 70: 18, 85: 21, 105: 25, 125: 30 },
    odMm: 3,
    massKgPerKm: 20,
  },
  {
    school: 'metric',
    size: '2.5',
    areaMm2: 2.5,
    r20OhmPerKm: 8.21,
    ampacityA: { 60: 17, 70: 25, 85: 30, 105: 35, 125: 40 },
    odMm: 3.6,
    massKgPerKm: 32,
  },
  {
    school: 'metric',
    size: '4',
    areaMm2: 4,
    r20OhmPerKm: 5.09,
    ampacityA: { 60: 22, 70: 35, 85: 40, 105: 45, 125: 50 },
    odMm: 4.3,
    massKgPerKm: 49,
  },
  {
    school: 'metric',
    size: '6',
    areaMm2: 6,
    r20OhmPerKm: 3.39,
    ampacityA: { 60: 29, 70: 45, 85: 50, 105: 60, 125: 70 },
    odMm: 5,
    massKgPerKm: 70,
  },
  {
    school: 'metric',
    size: '10',
    areaMm2: 10,
    r20OhmPerKm: 1.95,
    ampacityA: { 60: 40, 70: 65, 85: 70, 105: 90, 125: 100 },
    odMm: 6.5,
    massKgPerKm: 117,
  },
  {
    school: 'metric',
    size: '16',
    areaMm2: 16,
    r20OhmPerKm: 1.24,
    ampacityA: { 60: 54, 70: 90, 85: 100, 105: 130, 125: 150 },
    odMm: 7.9,
    massKgPerKm: 182,
  },
  {
    school: 'metric',
    size: '25',
    areaMm2: 25,
    r20OhmPerKm: 0.795,
    ampacityA: { 60: 71, 70: 120, 85: 140, 105: 170, 125: 185 },
    odMm: 9.7,
    massKgPerKm: 281,
  },
  {
    school: 'metric',
    size: '35',
    areaMm2: 35,
    r20OhmPerKm: 0.565,
    ampacityA: { 60: 87, 70: 160, 85: 185, 105: 210, 125: 225 },
    odMm: 11,
    massKgPerKm: 382,
  },
  {
    school: 'metric',
    size: '50',
    areaMm2: 50,
    r20OhmPerKm: 0.393,
    ampacityA: { 60: 105, 70: 210, 85: 230, 105: 270, 125: 300 },
    odMm: 13,
    massKgPerKm: 542,
  },
  {
    school: 'metric',
    size: '70',
    areaMm2: 70,
    r20OhmPerKm: 0.277,
    ampacityA: { 60: 135, 70: 265, 85: 285, 105: 330, 125: 360 },
    odMm: 15,
    massKgPerKm: 746,
  },
  {
    school: 'metric',
    size: '95',
    areaMm2: 95,
    r20OhmPerKm: 0.21,
    ampacityA: { 60: 165, 70: 310, 85: 330, 105: 390, 125: 410 },
    odMm: 17,
    massKgPerKm: 996,
  },
  {
    school: 'metric',
    size: '120',
    areaMm2: 120,
    r20OhmPerKm: 0.164,
    ampacityA: { 60: 190, 70: 360, 85: 400, 105: 450, 125: 480 },
    odMm: 19,
    massKgPerKm: 1253,
  },
  {
    school: 'metric',
    size: '150',
    areaMm2: 150,
    r20OhmPerKm: 0.132,
    ampacityA: { 60: 220, 70: 380, 85: 430, 105: 475, 125: 520 },
    odMm: 21,
    massKgPerKm: 1556,
  },
];

/** Conductors in ascending area, by school. */
export const CONDUCTORS: Readonly<Record<School, readonly Conductor[]>> = {
  awg: AWG_SIZES,
  metric: METRIC_SIZES,
};

/** Insulation ratings that have an ampacity column, ascending, degC. */
export const INSULATION_RATINGS: Readonly<Record<School, readonly number[]>> = {
  awg: [60, 75, 80, 90, 105, 125],
  metric: [60, 70, 85, 105, 125],
};

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

/** Mass of an AC cable over that of its cores: jacket and filler, typical. */
export const AC_JACKET = 1.25;

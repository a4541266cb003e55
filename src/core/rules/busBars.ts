/** Bus bars as they are made: ratings and studs. Typical of the trade, to be verified; the part's own sheet rules. */

/** Continuous ratings, A. */
export const BUS_RATINGS_A = [100, 150, 250, 400, 600, 800, 1000] as const;
/** Studs on one bar. */
export const BUS_STUDS = [2, 4, 6, 8, 10, 12, 16, 20, 24] as const;
/** From here on a cable has a stud of its own, mm2: 6 AWG, 16 mm2; lighter ones lie two to a stud. Ours, within the four that are allowed. */
export const OWN_STUD_MM2 = { awg: 13.3, metric: 16 } as const;

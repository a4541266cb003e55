/** Resistances taken where nobody has measured: typical, and said to be wherever they are used. */

/** Sound bolted or crimped joint, ohm; two conductors with two ends each make four to a segment. Typical. */
export const JOINT_OHM = 0.00003;
export const SEGMENT_JOINTS_OHM = 4 * JOINT_OHM;

/** Output path where nothing better is known, ohm. Typical of a few metres of fair cable. */
export const TYPICAL_PATH_OHM = 0.005;

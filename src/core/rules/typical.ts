/** Figures taken where nobody has measured or entered one: typical, and said to be wherever they are used. Each stands here once. */

/** Sound bolted or crimped joint, ohm; two conductors with two ends each make four to a segment. Typical. */
export const JOINT_OHM = 0.00003;
export const SEGMENT_JOINTS_OHM = 4 * JOINT_OHM;

/** Output path where nothing better is known, ohm. Typical of a few metres of fair cable. */
export const TYPICAL_PATH_OHM = 0.005;

/** Air around a conductor or a device where its place says nothing, degC: both schools' ampacity tables are stated at it. */
export const AMBIENT_C = 30;

/** Batteries and their setpoints where nothing is entered, degC: makers state capacity, setpoints and slopes at it. */
export const BATTERY_C = 25;

/** Part of the system volts a relay or solenoid pulls in at where its maker says nothing. Typical of both. */
export const PULL_IN_PART = 0.75;

/** Part of the system volts at which a pulled-in relay or solenoid lets go where its maker says nothing. Typical, on the safe side. */
export const HOLD_IN_PART = 0.4;

/** Part of the system volts an inverter gives up at where its maker says nothing: 10.5 V of 12 V. Typical. */
export const GIVES_UP_PART = 0.875;

/** Heating current of an inverter's cable and fuse over its mean: ripple at twice the line frequency. Up to 1.22 without a smoothing capacitor. */
export const RIPPLE = 1.1;

/** Volts a protective device loses at its rating where its maker gives none: central typical of the kind; single ones lie 40 % below to 60 % above. */
export const FUSE_V = 0.07;
/** Breakers up to 10 A, whose windings are long, and larger ones. */
export const SMALL_BREAKER_V = 0.12;
export const BREAKER_V = 0.08;

/** Most each of a starter's two cables may lose, % of nominal: half a volt of 12, as engine makers commonly allow. */
export const CRANK_PCT = 4;

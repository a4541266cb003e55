/** Most volts lost on the AC side, %: aboard, feeder and branch together, and from the pedestal on with the cord (IEC 60364-5-52 annex G; verify against the edition in force). */
export const DROP_PCT = 3;
export const TOTAL_DROP_PCT = 5;

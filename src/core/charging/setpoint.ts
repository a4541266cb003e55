/** Charging volts by temperature (docs/methods.md, M10). */

/** Reference temperature of every setpoint, degC. */
export const REFERENCE_C = 25;

/** Setpoint at a battery's temperature, V: at25V + slope x cells x (T - 25). @param slopeMvPerCCell negative for lead-acid. */
export const setpointV = (at25V: number, slopeMvPerCCell: number, cells: number, batteryC: number): number =>
  at25V + (slopeMvPerCCell / 1000) * cells * (batteryC - REFERENCE_C);

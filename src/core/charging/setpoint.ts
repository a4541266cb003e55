/** Charging volts by temperature (docs/methods.md, M10). */
import { BATTERY_C } from '../rules';

/** Setpoint at a battery's temperature, V: at25V + slope x cells x (T - 25). @param slopeMvPerCCell negative for lead-acid. */
export const setpointV = (at25V: number, slopeMvPerCCell: number, cells: number, batteryC: number): number =>
  at25V + (slopeMvPerCCell / 1000) * cells * (batteryC - BATTERY_C);

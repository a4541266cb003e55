/** Units of a school where no boat says otherwise. */
import type { Units } from '@/core/quantity';

export const UNITS: Readonly<Record<'awg' | 'metric', Units>> = {
  metric: { lengthUnit: 'm', tempUnit: 'C', massUnit: 'kg', ruleSet: 'metric' },
  awg: { lengthUnit: 'ft', tempUnit: 'F', massUnit: 'lb', ruleSet: 'awg' },
};

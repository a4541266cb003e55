/** Figures of a test as people read them. */
import { bandAt, type TestLine } from '@/core/commission';
import { round3 } from '@/core/quantity';

/** What is expected, with its band; '': nothing is typed. */
export function expectedOf(line: TestLine, atA: number | null): string {
  const band = bandAt(line, atA);
  const { least, most } = line.limit;
  const parts = [
    ...(band
      ? [`${figure(band.expected, line.unit)} (${figure(band.low, line.unit)} to ${figure(band.high, line.unit)}) ${line.unit}`]
      : []),
    ...(most !== null ? [`at most ${figure(most, line.unit)} ${line.unit}`] : []),
    ...(least !== null ? [`at least ${figure(least, line.unit)} ${line.unit}`] : []),
  ];
  return parts.join('; ');
}

/** Volts to the hundredth, as a meter shows them; the rest to three figures. */
export const figure = (x: number, unit: TestLine['unit'] = 'mV'): string => (unit === 'V' && Math.abs(x) < 100 ? x.toFixed(2) : round3(x));

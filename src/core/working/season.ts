/** The working of a season: how often out of how many, and within what that holds (docs/methods.md, M11). */
import type { Chance, SeasonAsked, SeasonResult } from '../energy';
import { round3, type Units } from '../quantity';
import { liner } from './parts';
import type { WorkingSection } from './types';

const n = round3;
const pct = (x: number) => `${n(100 * x)} %`;

/** @param asked as the season was run. */
export function seasonSections(asked: SeasonAsked, result: SeasonResult, units: Units): readonly WorkingSection[] {
  const line = liner(units);
  const chances = (label: string, { share, low, high, count }: Chance) =>
    line(label, 100 * share, 'pct', {
      formula: `${count} ÷ ${result.runs} cruises`,
      source: `the true share lies between ${pct(low)} and ${pct(high)} with 95 % confidence (Wilson's interval)`,
    });
  const spread = (label: string, value: number, most: string) =>
    line(`${label} varies by`, 100 * value, 'pct', { mark: 'estimated', source: most });
  return [
    {
      title: 'What is counted',
      lines: [
        chances(`below ${pct(result.windowLow)} of charge at any time`, result.out),
        chances('with loads without current', result.dark),
        line('half of the cruises come lower than, %', 100 * result.medianLowest, 'none', {
          formula: `the middle of ${result.runs} lowest states of charge, each of ${result.days} days`,
        }),
      ],
    },
    {
      title: 'What is varied from day to day',
      lines: [
        spread('sun', asked.sunSpread, 'half of a departure lasts into the next day; between 0.08 and 1.6 of what the day says'),
        spread('wind', asked.windSpread, 'likewise; between none and 3 times the mean'),
        spread('use', asked.useSpread, 'each day by itself, evenly in its logarithm'),
        spread('motoring', asked.motorSpread, 'likewise; 1.5 times at the most'),
        line('seed', asked.seed, 'none', { source: 'the same seed is the same weather', text: String(asked.seed) }),
      ],
    },
  ];
}

/** The working of how a bank's strings share its current (docs/methods.md, M9, sharing). */
import { type Sharing, UNEVEN } from '../bank';
import { type Bank, type Boat } from '../design';
import { round3, show, sizeName, type Units } from '../quantity';
import { findConductor, JOINT_OHM } from '../rules';
import { liner, plainWorking } from './parts';
import type { Working } from './types';

const n = round3;
const mohm = (ohm: number): string => `${n(1000 * ohm)} mΩ`;

/** @param shared of this bank. */
export function linksWorking(bank: Bank, shared: Sharing, { ruleSet }: Pick<Boat, 'ruleSet'>, units: Units): Working {
  const line = liner(units);
  const copper = findConductor(ruleSet, shared.size);
  const even = shared.currentA / shared.strings.length;
  return plainWorking(`${bank.name}, how its strings share`, [
    {
      title: 'What lies in the way',
      lines: [
        line(shared.way === 'bus bars' ? 'each lead' : 'each link', shared.linkOhm, 'ohm', {
          formula: `${show(copper?.r20OhmPerKm ?? NaN, 'ohmPerKm', units)} × ${show(bank.links.lengthM, 'm', units)} + 2 × ${mohm(JOINT_OHM)}`,
          source: `${sizeName(ruleSet, shared.size)} at ${show(20, 'C', units)}, two sound joints${bank.links.size === null ? '; the usual size, none is entered' : ''}`,
        }),
        line('each string', shared.stringOhm, 'ohm', {
          mark: bank.sheet.mohm === null ? 'typical' : "maker's",
          formula: `${bank.series} × ${mohm(shared.stringOhm / bank.series)} a block`,
        }),
      ],
    },
    {
      title: 'What each string gives',
      lines: [
        line('an even share', even, 'A', { formula: `${n(shared.currentA)} A ÷ ${shared.strings.length}` }),
        ...shared.strings.map((s, i) =>
          line(`string ${i + 1}`, s.amps, 'A', {
            formula: `${n(100 * s.ofMean)} % of it; after an hour ${n(s.afterHourA)} A, ${n(s.hourAh)} Ah drawn`,
            breaks: s.ofMean > UNEVEN,
          }),
        ),
        line(
          'together',
          shared.strings.reduce((sum, s) => sum + s.amps, 0),
          'A',
          {
            source: 'the network of links and strings solved: volts around every mesh add up to nothing',
          },
        ),
      ],
    },
  ]);
}

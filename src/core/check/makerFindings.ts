/** What the makers of a circuit's loads ask for beyond wire and amps. */
import type { Bench } from '../conductor/evaluate';
import { isCharging } from '../network/asked';
import { runToTapM } from '../conductor/minimums';
import { show, type Units } from '../quantity';
import { findFamily } from '../rules/devices';
import type { AddFinding } from './findings';

const EXTEND = {
  'ask the maker': 'Ask the maker, or move the load.',
  'not allowed': 'The maker does not allow it to be extended: move the load or its source.',
  'at equal drop': 'The maker allows extension at equal drop: size it so.',
} as const;

export function makerFindings(b: Bench, units: Units, add: AddFinding): void {
  const { input, family } = b;
  input.taps.forEach((tap, i) => {
    const { load } = tap;
    if (!load) return;
    const about = { kind: 'load' as const, id: load.id };
    if (isCharging(load) && !input.upstream.atBank && tap.ownA >= 30)
      add(
        `source-${load.id}`,
        'note',
        'is a source: this run is live from both ends',
        'The device at the bank end protects it against the bank; its own end is limited by itself only while it runs.',
        'Follow its maker for a device at its own end, and label both.',
        about,
      );
    const page = load.page ? ` (${load.page})` : '';
    const runM = runToTapM(input, i);
    if (load.maxLeadM !== null && runM > load.maxLeadM + 1e-9)
      add(
        `lead-${load.id}`,
        load.extending === 'at equal drop' ? 'note' : 'fix',
        `its lead may be ${show(load.maxLeadM, 'm', units)}, and the run is ${show(runM, 'm', units)}`,
        `By its maker${page}. More loses volts, and with them the warranty.`,
        EXTEND[load.extending],
        about,
      );
    if (load.makerFuseFamily !== null && load.makerFuseFamily !== family.id)
      add(
        `fuse-kind-${load.id}`,
        'fix',
        `its maker asks for ${findFamily(load.makerFuseFamily)?.name ?? load.makerFuseFamily}`,
        `The way has ${family.name}${page}.`,
        'Pin the family on its circuit, or record why not.',
        about,
      );
    const { bank } = input.upstream;
    if (load.minBankAh !== null && bank && bank.capacityAh < load.minBankAh)
      add(
        `bank-${load.id}`,
        'fix',
        `asks for a bank of ${show(load.minBankAh, 'Ah', units)}`,
        `This one has ${show(bank.capacityAh, 'Ah', units)}${page}.`,
        'A larger bank, or another appliance.',
        about,
      );
    if (load.range)
      add(
        `range-${load.id}`,
        'note',
        'is not chosen yet',
        `Its run suits up to ${load.range.toRating} ${load.ratingBy} in any of its places; the device is for the heaviest candidate.`,
        'Choose it, and let the device follow: it protects the cable now, perhaps not a lighter appliance.',
        about,
      );
  });
}

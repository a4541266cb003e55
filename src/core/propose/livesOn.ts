/** Which bank a load lives on, and which small electronics share a fuse block. */
import { type Bank, type Design, kindOf, type Load, nominalVOf, rowOf, startBankOf } from '../design';
import { bankSource, interruptingFloorA } from '../bank';
import { findFamily, RULE_SETS } from '../rules';
import { isAloft, loadPoint } from '../topology';

/** A load of this many amps, or more, goes to the main bus with protection of its own. */
export const HEAVY_A = 30;
/** Electronics up to this many amps are small. */
const SMALL_A = 2;
/** A block is worth its feed from this many loads on; it has no more ways than are made. */
const LEAST_LOADS = 3;
const MOST_LOADS = 11;
/** Volts a blade fuse is made for. */
const BLADE_V = 32;
/** Charging volts over nominal ones. */
const CHARGED = 14.6 / 12;

/** What all of a row draws by its rating, A. */
export const ratedAmps = (load: Load): number => (load.ratingBy === 'A' ? load.rating : load.rating / load.nominalV) * load.quantity;

/**
 * What cranks lives on the start bank; what is heavy beside a bank for one job that stands apart, on that; the rest on the house's of its volts,
 * or on the one bank that has them. undefined: there is no bank.
 */
export function bankFor(design: Design, load: Load): Bank | undefined {
  const { banks } = design;
  if (kindOf(load) === 'starter') return startBankOf(design) ?? banks[0];
  const house = banks.filter((b) => b.job === 'house');
  const fitting = (b: Bank) => nominalVOf(design, b.id) === load.nominalV;
  const own = banks.filter((b) => b.job === 'own' && fitting(b));
  const apart = own.find((b) => b.placeId !== null && b.placeId === load.placeId && house.every((h) => h.placeId !== b.placeId));
  return (ratedAmps(load) >= HEAVY_A ? apart : undefined) ?? house.find(fitting) ?? own[0] ?? house[0] ?? banks[0];
}

/** Small electronics by where they stand and how they are switched, lists of three and more: what has work of its own to do is not among them. */
export function smallElectronics(design: Design, loads: readonly Load[]): readonly (readonly Load[])[] {
  const groups = new Map<string, Load[]>();
  for (const load of loads) {
    const kind = kindOf(load);
    if (load.group !== 'electronics' || load.supply !== 'panel breaker' || ratedAmps(load) > SMALL_A) continue;
    if ((kind !== 'display' && kind !== 'other') || load.surgeA !== null || load.nominalV * CHARGED > BLADE_V) continue;
    const place = rowOf(design.places, load.placeId);
    if (place && isAloft(place)) continue;
    const half = loadPoint(design, load).x > design.boat.lengthM / 2 ? 'forward' : 'aft';
    const key = `${bankFor(design, load)?.id ?? ''}:${half}`;
    groups.set(key, [...(groups.get(key) ?? []), load]);
  }
  return [...groups.values()].filter((g) => g.length >= LEAST_LOADS).map((g) => g.slice(0, MOST_LOADS));
}

/** What the small fuses of a block are: blades, but where the rules ask for more than a blade interrupts breakers stand in it. */
export function blockFamily(design: Design, bank: Bank): string {
  const asked = RULE_SETS[design.boat.ruleSet].interruptingTable ? interruptingFloorA(bankSource(bank), false) : 0;
  const blade = Math.min(...(findFamily('blade')?.interrupting ?? []).map((at) => at.amps));
  return asked > blade ? 'panel-breaker' : 'blade';
}

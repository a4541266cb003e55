/** Choosing the protective device of a circuit's way (docs/methods.md, M5). Errors are conflicts in the answer, never thrown. */
import { round3, round3Beside } from '../quantity';
import type { CircuitInput } from './circuitInput';
import { interruptingFloorA } from '../bank';
import { largestFaultA } from './upstream';
import { endTakes, terminalRow, DC_FAMILIES, type Family, FAMILY_ORDER, findFamily, AMBIENT_C, NEARLY } from '../rules';
import { carries } from '../protection';

export interface Bound {
  readonly amps: number;
  readonly by: string;
}

export interface Refusal {
  readonly family: string;
  readonly reason: string;
}

export interface Protection {
  /** Devices at this way: one; or one at both ends of each of several legs. */
  readonly count: number;
  /** Legs the working current is shared among before it meets a device. */
  readonly legs: number;
  /** Nothing protects it: it was found so, and stands so. */
  readonly missing: boolean;
  readonly familyId: string;
  readonly familyName: string;
  readonly ratingA: number;
  readonly lower: readonly Bound[];
  /** null: nothing but the conductor limits it from above. */
  readonly upper: Bound | null;
  readonly refused: readonly Refusal[];
  /** Both sides of a contradiction and the ways out, or null. */
  readonly conflict: string | null;
  /** The place allows none of the families it may take: the panel's fault, not the circuit's. */
  readonly noneAllowed: boolean;
  /** Nothing made interrupts the short a typical resistance of the bank gives, by less than half again: its maker's figure decides. */
  readonly asksMaker: boolean;
  /** The bank whose typical resistance alone speaks against every family here, by the short it gives: its maker's figure settles it. */
  readonly shortOf: string | null;
  readonly pinnedFamily: boolean;
  readonly pinnedRating: boolean;
  readonly faultA: number;
  readonly interruptsA: number;
  readonly floorA: number;
  readonly restV: number;
}

const byAHair = (interruptsA: number, faultA: number, { upstream: { bank } }: CircuitInput): string =>
  bank && !bank.faultIsMakers && faultA <= NEARLY * interruptsA
    ? `, ${((100 * faultA) / interruptsA - 100).toFixed(1)} % more, by a typical resistance of the bank: enter its maker's short-circuit current`
    : '';

const interrupting = (family: Family, restV: number): number => family.interrupting.find((at) => at.volts >= restV)?.amps ?? 0;

/** Whether only the short speaks against a family, and that by a typical resistance. */
function onlyTheShort(family: Family, input: CircuitInput, floorA: number, restV: number): boolean {
  const { bank, place } = input.upstream;
  return (
    bank !== null &&
    !bank.faultIsMakers &&
    (family.maxVDc ?? 0) >= bank.equaliseV &&
    interrupting(family, restV) >= Math.max(floorA, 1) &&
    !(place?.vapour && !family.ignitionProtected)
  );
}

const refusalOf = (family: Family, input: CircuitInput, faultA: number, floorA: number): string | null => {
  const { bank } = input.upstream;
  const highV = bank ? bank.equaliseV : input.systemV * 1.2;
  const restV = bank ? bank.fullV : input.systemV * 1.06;
  if (family.maxVDc === null || highV > family.maxVDc) return `takes ${family.maxVDc ?? 0} V DC; charging reaches ${highV.toFixed(1)} V`;
  const interrupts = family.interrupting.find((at) => at.volts >= restV);
  if (!interrupts) return `no interrupting figure at ${restV.toFixed(1)} V`;
  if (interrupts.amps < faultA)
    return `interrupts ${interrupts.amps} A; a short here is ${round3Beside(faultA, interrupts.amps)} A${byAHair(interrupts.amps, faultA, input)}`;
  if (interrupts.amps < floorA) return `interrupts ${interrupts.amps} A; the bank's cranking amps ask for ${floorA} A`;
  if (input.upstream.place?.vapour && !family.ignitionProtected) return 'not ignition protected, and petrol vapour is possible here';
  return null;
};

/** Surge of the whole circuit must be carried by the quickest device of the rating. */
const carriesSurges = (family: Family, ratingA: number, input: CircuitInput): boolean =>
  input.surges.every((s) => carries(family, ratingA, s.circuitA, s.seconds));

const HOT_PLACE_C = 40;
/** Up to here nobody minds the device's size; beyond so many times what is asked for, a smaller one is looked for. */
const SMALL_A = 10;
const MOST_OVER = 4;

function lowerBounds(input: CircuitInput): Bound[] {
  const { house, workingA } = input;
  const bounds: Bound[] = [{ amps: workingA * house.protectionOverLoad, by: `${house.protectionOverLoad} × working current` }];
  const hot = (input.upstream.place?.ambientC ?? AMBIENT_C) > HOT_PLACE_C;
  if (house.thermalInHeat && hot && input.runsLong)
    bounds.push({ amps: workingA / 0.8, by: 'working current at 80 % of a thermal device in a hot place' });
  return bounds;
}

function upperBound(input: CircuitInput): Bound | null {
  const bounds: Bound[] = [];
  for (const tap of input.taps) {
    if (tap.load?.makerFuseA != null) bounds.push({ amps: tap.load.makerFuseA, by: `the maker of ${tap.name}` });
    if (tap.panel?.maxTotalA != null) bounds.push({ amps: tap.panel.maxTotalA, by: `${tap.panel.name}, which takes no more in all` });
  }
  if (input.upstream.atBank && input.upstream.bank?.maxFuseA != null)
    bounds.push({ amps: input.upstream.bank.maxFuseA, by: 'the maker of the bank' });
  if (input.panel?.maxWayA != null) bounds.push({ amps: input.panel.maxWayA, by: `a way of ${input.panel.name}` });
  return bounds.reduce<Bound | null>((least, b) => (least && least.amps <= b.amps ? least : b), null);
}

interface Pick {
  readonly family: Family;
  readonly ratingA: number;
}

/** The rating a family gives: the maker's fuse where there is one, else the smallest that carries load and surge. */
function ratingIn(family: Family, input: CircuitInput, lowerA: number, upper: Bound | null, makerA: number | null): number | null {
  if (makerA !== null) {
    const fit = [...family.ratingsA].reverse().find((r) => r <= makerA + 1e-9);
    if (fit !== undefined && fit >= input.workingA && fit > makerA * 0.6) return fit;
  }
  const fit = family.ratingsA.find((r) => r >= lowerA - 1e-9 && carriesSurges(family, r, input));
  return fit !== undefined && (!upper || fit <= upper.amps + 1e-9) ? fit : null;
}

/** One leg's share of the circuit, for devices of its own. */
const legShare = (input: CircuitInput, legs: number): CircuitInput => ({
  ...input,
  workingA: input.workingA / legs,
  surges: input.surges.map((s) => ({ ...s, circuitA: s.circuitA / legs })),
});

/** A starter's own cable has no device: what it draws against an engine that will not turn would open any that carries its start. By its kind as entered: a name alone takes no fuse away. */
export const startsEngine = ({ taps }: CircuitInput): boolean => taps.length > 0 && taps.every((t) => t.load?.kind === 'starter');

/**
 * The device of a circuit: of the whole of it, or of each leg where several legs have their own.
 * @param takesMm2 of those that suit, the first whose terminals take a conductor of so many mm2 is taken before the others.
 */
export function chooseProtection(whole: CircuitInput, takesMm2 = 0): Protection {
  const { pin } = whole.circuit;
  const legs = pin.ownDevices && pin.size !== null ? pin.legs : 1;
  const chosen = chooseFor(legs > 1 ? legShare(whole, legs) : whole, legs, takesMm2);
  const { found } = whole;
  const starts = startsEngine(whole);
  return {
    ...chosen,
    ...(starts ? { conflict: null } : {}),
    legs,
    count: legs > 1 ? 2 * legs : 1,
    missing: (found !== null && found.keepProtection && found.ratingA === null) || starts,
  };
}

function chooseFor(input: CircuitInput, legs: number, takesMm2: number): Omit<Protection, 'legs' | 'count' | 'missing'> {
  const { circuit, upstream, panel } = input;
  const kept = input.found?.keepProtection ? input.found : null;
  const faultA = largestFaultA(upstream, 0);
  const floorA = upstream.bank && input.rules.interruptingTable ? interruptingFloorA(upstream.bank, upstream.atBank) : 0;
  const restV = upstream.bank ? upstream.bank.fullV : input.systemV * 1.06;
  const lower = lowerBounds(input);
  const lowerA = Math.max(...lower.map((b) => b.amps));
  const most = upperBound(input);
  const upper = most && { ...most, amps: most.amps / legs };
  const makers = input.taps.flatMap((t) => (t.load?.makerFuseA != null ? [t.load.makerFuseA] : []));
  const makerA = makers.length === 1 && input.taps.length === 1 ? (makers[0] ?? null) : null;
  const order: readonly string[] = kept?.family
    ? [kept.family]
    : circuit.pin.family
      ? [circuit.pin.family]
      : panel?.family
        ? [panel.family]
        : upstream.atBank
          ? FAMILY_ORDER.bank
          : input.isFeeder
            ? FAMILY_ORDER.feeder
            : FAMILY_ORDER.bus;
  const refused: Refusal[] = [];
  const picks: Pick[] = [];
  const allowed: Family[] = [];
  const families = order.flatMap((id) => findFamily(id) ?? []);
  for (const family of families) {
    const reason = refusalOf(family, input, faultA, floorA);
    if (reason) {
      refused.push({ family: family.name, reason });
      continue;
    }
    allowed.push(family);
    const ratingA = ratingIn(family, input, lowerA, upper, makerA);
    if (ratingA !== null) picks.push({ family, ratingA });
    else refused.push({ family: family.name, reason: noRating(family, lowerA, upper) });
  }
  // No larger than the device before it, where a family allows that: else the wrong one opens.
  const small = (p: Pick) => p.ratingA <= (upstream.feederRatingA ?? Infinity) + 1e-9;
  const roomy = (p: Pick) => endTakes(terminalRow(p.family, input.school), input.school, takesMm2);
  let best = picks.find((p) => small(p) && roomy(p)) ?? picks.find(small) ?? picks[0] ?? null;
  // A small load is not put behind a fuse many times its size where something smaller interrupts as much.
  if (best && !input.isFeeder && best.ratingA > Math.max(SMALL_A, MOST_OVER * lowerA))
    best = picks.reduce((least, p) => (p.ratingA < least.ratingA ? p : least), best);
  let conflict: string | null = null;
  let asksMaker = false;
  if (!best) {
    // What stands in is the strongest there is: never a weak one that a short would burst.
    const offered = [...allowed, ...[...families].sort((a, b) => interrupting(b, restV) - interrupting(a, restV))];
    const family = offered.find((f) => f.ratingsA.some((r) => r >= lowerA)) ?? offered[0] ?? (DC_FAMILIES[0] as Family);
    asksMaker = !allowed.includes(family) && onlyTheShort(family, input, floorA, restV) && faultA <= NEARLY * interrupting(family, restV);
    conflict = asksMaker
      ? `No family here interrupts ${round3Beside(faultA, interrupting(family, restV))} A for certain: ${family.name} interrupts ${interrupting(family, restV)} A. The short is by a typical resistance of the bank: ask its maker for the short-circuit current, and enter it.`
      : contradiction(input, family, allowed.includes(family), lowerA, upper, refused, order);
    best = { family, ratingA: family.ratingsA.find((r) => r >= lowerA) ?? family.ratingsA[family.ratingsA.length - 1] ?? 1 };
  }
  const pinned = kept ? kept.ratingA : circuit.pin.ratingA;
  const stands = kept ? 'The ' : 'The pinned ';
  if (pinned !== null) {
    const against = pinnedConflict(pinned, best.family, input, upper, stands, kept !== null);
    conflict = [conflict, against].filter(Boolean).join(' ') || null;
  }
  return {
    familyId: best.family.id,
    familyName: best.family.name,
    ratingA: pinned ?? best.ratingA,
    lower,
    upper,
    refused,
    conflict,
    noneAllowed: allowed.length === 0,
    asksMaker,
    shortOf: allowed.length === 0 && families.some((f) => onlyTheShort(f, input, floorA, restV)) ? (upstream.bank?.bankId ?? null) : null,
    pinnedFamily: circuit.pin.family !== null,
    pinnedRating: pinned !== null,
    faultA,
    interruptsA: interrupting(best.family, restV),
    floorA,
    restV,
  };
}

/** All that speaks against a rating that is pinned or found; null: nothing. */
function pinnedConflict(
  pinned: number,
  family: Family,
  input: CircuitInput,
  upper: Bound | null,
  stands: string,
  isFound: boolean,
): string | null {
  const against: string[] = [];
  if (pinned < input.workingA)
    against.push(
      `${stands}${pinned} A is below the working current of ${round3Beside(input.workingA, pinned)} A: it will open in use. ${isFound ? 'Replace' : 'Unpin'} it, or take loads off.`,
    );
  else if (!carriesSurges(family, pinned, input))
    against.push(`${stands}${pinned} A opens on the start surge. Use a larger one, or one with a slower curve.`);
  if (upper && pinned > upper.amps) against.push(`${stands}${pinned} A is above the ${upper.amps} A allowed by ${upper.by}.`);
  return against.join(' ') || null;
}

function noRating(family: Family, lowerA: number, upper: Bound | null): string {
  const largest = family.ratingsA[family.ratingsA.length - 1] ?? 0;
  if (largest < lowerA) return `its largest is ${largest} A; ${round3Beside(lowerA, largest)} A is asked for`;
  return upper ? `no rating carries load and surge within ${upper.amps} A (${upper.by})` : 'no rating carries the surge';
}

function contradiction(
  input: CircuitInput,
  family: Family,
  /** The family that stands in may stand here. */
  mayStand: boolean,
  lowerA: number,
  upper: Bound | null,
  refused: readonly Refusal[],
  order: readonly string[],
): string {
  if (!mayStand) {
    const all = refused.map((r) => `${r.family} ${r.reason}`).join('; ');
    return `No family may stand here: ${all || 'none is offered'}. Put a device with a higher figure at this way, or a current-limiting fuse (class T) upstream.`;
  }
  if (upper && upper.amps < Math.max(lowerA, input.workingA))
    return `Load asks for ${round3Beside(lowerA, upper.amps)} A or more; ${upper.by} allows ${upper.amps} A. Split the circuit, or give the load a way of its own.`;
  const smallestA = Math.min(...order.flatMap((id) => findFamily(id)?.ratingsA[0] ?? []));
  if (upper && smallestA > upper.amps)
    return `At most ${upper.amps} A by ${upper.by}, and nothing that may stand here comes as small: the smallest is ${smallestA} A. Feed it from a bus or panel with a small device of its own.`;
  if (upper) return `The start surge needs more than the ${upper.amps} A allowed by ${upper.by}. Ask the maker, or use a slower device.`;
  return `No ${family.name} is large enough for ${round3(lowerA)} A. Feed it from the main bus with its own bolted fuse.`;
}

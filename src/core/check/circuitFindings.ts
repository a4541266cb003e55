/** What one circuit's results give cause to say. */
import type { Bench } from '../conductor/evaluate';
import { protects, type CriterionId, type Ladder, type State } from '../conductor/ladder';
import { makerAreaMm2 } from '../conductor/minimums';
import { choiceName, show, sizeName, type Units } from '../quantity';
import type { AddFinding, Finding, Severity } from './findings';
import { badJoints, deviceFindings, foundFindings } from './foundFindings';
import { makerFindings } from './makerFindings';

const WHY: Readonly<Record<CriterionId, string>> = {
  ampacity: 'The conductor runs hotter than its insulation is rated for.',
  protection: 'The device would let the conductor overheat before it opens: fire.',
  drop: 'Lamps go dim, electronics restart and motors run hot.',
  surge: 'It may stall or never start, and a stalled motor heats the whole run.',
  maker: "The maker's sheet rules; less voids it.",
  mechanical: 'Thin conductors break under vibration.',
  fault: 'A short at the far end may burn without ever opening the device.',
  terminals: 'The conductor brings more heat to the terminal than it is rated for.',
};

/** Tests whose outcome moves with the volts before the way. */
const MOVING: ReadonlySet<CriterionId> = new Set(['drop', 'surge']);

const adder =
  (out: Finding[], circuitId: string): AddFinding =>
  (rule, severity, title, why, todo, about = { kind: 'circuit', id: circuitId }) =>
    out.push({ id: `${rule}:${circuitId}`, severity, about, title, why, todo });

/** What moves with the volts before the way. */
export function movingFindings(b: Bench, own: Ladder, state: State, units: Units): Finding[] {
  const out: Finding[] = [];
  const { taps, circuit } = b.input;
  if (taps.length === 0) return out;
  const add = adder(out, circuit.id);
  failures(b, own, state, units, true, add);
  if (state.drop.collapses)
    add(
      'collapse',
      'stop',
      'the supply collapses',
      'A constant-power load draws more as volts fall; here there is no voltage at which it can run.',
      'Use a heavier conductor or a shorter run.',
    );
  badJoints(b, state, units, add);
  const { legOpen } = state;
  if (legOpen && !legOpen.passes)
    add(
      'leg-open',
      'note',
      'would not do with one leg open',
      `The rest would carry ${show(legOpen.legA, 'A', units)} each, good for ${show(legOpen.legIzA, 'A', units)}, with ${show(legOpen.pct, 'pct', units)} drop.`,
      'Check both lugs of each leg every year; a device on each leg at both ends shows an open one.',
    );
  return out;
}

/** What stands while only the volts before the way move and the choice stays. */
export function stillFindings(b: Bench, own: Ladder, state: State, units: Units): Finding[] {
  const { input, protection } = b;
  const { circuit, upstream } = input;
  const out: Finding[] = [];
  const add = adder(out, circuit.id);

  if (circuit.taps.length === 0) {
    if (circuit.found) {
      add(
        'unidentified',
        'fix',
        'leads nowhere known',
        'A loose end may be live.',
        'Trace it; take it out, or insulate and label both ends.',
      );
      foundFindings(b, units, add);
    } else add('empty', 'note', 'serves nothing yet', 'A way without a load is a spare.', 'Put a load on it, or leave it as a spare way.');
    return out;
  }
  if (!upstream.bank)
    add(
      'no-source',
      'stop',
      'is not fed from a bank',
      'Nothing can be said of fault currents or drop on the way to it.',
      'Give its panel a feeder, and the feeder a bank.',
    );
  if (protection.conflict && !(protection.noneAllowed && input.panel?.family))
    add('protection-conflict', 'stop', 'no device suits both sides', protection.conflict, 'Settle one of the two sides named.');
  const refusal = state.heat.derating.refusal;
  if (refusal)
    add(
      'place-refuses',
      'stop',
      `insulation does not suit ${input.places[state.heat.placeIndex]?.name ?? 'a place'}`,
      `There: ${refusal}.`,
      'Use a higher insulation rating, or another route.',
    );
  failures(b, own, state, units, false, add);
  if (!state.terminal.passes)
    add(
      'terminal-heat',
      'note',
      `conductor reaches ${show(state.terminal.tempC, 'C', units)} at its terminal`,
      `The terminal is taken to be good for ${show(state.terminal.limitC, 'C', units)}.`,
      "Ask the device's maker, or use the next size.",
    );
  if (protects(b, state.heat.legIzA).byHouseRule)
    add(
      'rounded-up',
      'note',
      `${protection.ratingA} A is above the conductor's ${show(state.heat.legIzA, 'A', units)}`,
      'Allowed by the house rule "next standard rating, up to 1.5 ×", since the load cannot overload or has its own trip.',
      'Keep it only where that is so.',
    );
  const beyond = makerAreaMm2(input);
  if (beyond?.beyond)
    add(
      'maker-silent',
      'note',
      `the maker of ${beyond.tapName} is silent at this length`,
      'The size beyond the sheet is worked out by us at equal drop.',
      'Ask the maker.',
    );
  if (circuit.pin.size && circuit.pin.size.school !== input.school)
    add(
      'pin-school',
      'fix',
      `pinned as ${sizeName(circuit.pin.size.school, circuit.pin.size.size)}, a size of the other school`,
      "The boat's rule set has no such size; the application's choice is used.",
      'Pin a size of this rule set, or unpin.',
    );
  const most = input.house.protectionOverLoadMost;
  if (most !== null && input.workingA > 0 && protection.ratingA > most * input.workingA)
    add(
      'over-load-gap',
      'note',
      `${protection.ratingA} A is ${(protection.ratingA / input.workingA).toFixed(2)} × the load`,
      `The house rule keeps a device within ${most} × the load; the next standard rating is above it.`,
      'Accept the gap, or use a family with finer ratings.',
    );
  const { protectionWithinM: within } = input.rules;
  const allowedM = !circuit.sheathed ? within.bare : upstream.atBank ? within.sheathedFromBattery : within.sheathedElsewhere;
  if (circuit.deviceAtM > allowedM + 1e-9)
    add(
      'placement',
      'stop',
      `protection stands ${show(circuit.deviceAtM, 'm', units)} from its source`,
      `Unprotected conductor: ${show(allowedM, 'm', units)} is the most here. ${input.rules.source}.`,
      `Move the device within ${show(allowedM, 'm', units)}${circuit.sheathed ? '' : ', or sheath the conductor all the way'}.`,
    );
  if (upstream.place?.vapour && b.family.ignitionProtected === false)
    add(
      'vapour',
      'stop',
      'device not ignition protected where petrol vapour is possible',
      'A spark at the device can ignite it: explosion.',
      'Move it out of the space, or use an ignition-protected family.',
    );
  if (circuit.found && circuit.found.decision !== 'undecided' && circuit.found.reason.trim() === '')
    add(
      'no-reason',
      'note',
      'is decided without a reason',
      'Whoever opens it next will wonder.',
      'Survey, as found: say why it is kept or replaced.',
    );
  deviceFindings(b, state, units, add);
  foundFindings(b, units, add);
  makerFindings(b, units, add);
  for (const tap of input.taps) {
    if (tap.load && Math.abs(tap.load.nominalV - input.systemV) > 0.26 * input.systemV)
      add(
        `volts-${tap.load.id}`,
        'stop',
        `made for ${tap.load.nominalV} V`,
        `The system is ${input.systemV} V nominal.`,
        'Feed it through a converter, or choose another.',
        { kind: 'load', id: tap.load.id },
      );
    if (tap.load && tap.load.supply !== circuit.supply)
      add(
        `supply-${tap.load.id}`,
        tap.load.supply === 'always live' ? 'fix' : 'note',
        `asks to be fed "${tap.load.supply}"`,
        `This circuit is "${circuit.supply}": ${tap.load.supply === 'always live' ? 'it dies when the switch is off.' : 'it may stay live, or die, when that is not meant.'}`,
        'Move it to a circuit of that class, or change what it asks for.',
        { kind: 'load', id: tap.load.id },
      );
  }
  return out;
}

/** Tests the chosen size fails: those that move with the volts before the way, or the rest. */
function failures(b: Bench, own: Ladder, state: State, units: Units, moving: boolean, add: AddFinding): void {
  const { input } = b;
  const chosen = choiceName(own.chosen);
  const proposed = own.proposed ? choiceName(own.proposed) : null;
  const lostBeforePct = (100 * input.upstreamDropV) / input.systemV;
  for (const id of state.failing) {
    if (MOVING.has(id) !== moving || (id === 'ampacity' && state.heat.derating.refusal)) continue;
    const rung = own.rungs.find((r) => r.id === id)?.smallest;
    const severity: Severity = id === 'drop' || id === 'mechanical' || id === 'surge' ? 'fix' : 'stop';
    const todo =
      own.pinned && proposed
        ? `Unpin, or pin ${proposed} or heavier.`
        : proposed
          ? `${own.kept ? 'Replace it with' : 'Use'} ${proposed}.`
          : id === 'drop' && lostBeforePct >= (state.drop.worst?.limitPct ?? Infinity)
            ? `${show(lostBeforePct, 'pct', units)} is lost before this way already: mend or enlarge what feeds it first.`
            : rung
              ? `${own.kept ? 'Replace it with' : 'Use'} ${sizeName(own.school, rung)} or heavier; no size passes every test.`
              : 'No size in the table passes: shorten the run, split the load, or move its source.';
    add(
      `fails-${id}`,
      severity,
      `${chosen}${own.pinned ? ', pinned,' : own.kept ? ', as found,' : ''} fails ${id === 'fault' ? 'the far-end short' : id}`,
      failText(id, b, state, units),
      todo,
    );
  }
}

function failText(id: CriterionId, b: Bench, state: State, units: Units): string {
  const { input, protection } = b;
  const name = (i: number) => input.taps[i]?.name ?? '';
  switch (id) {
    case 'drop':
      return state.drop.worst
        ? `${name(state.drop.worst.tapIndex)}: ${show(state.drop.worst.pct, 'pct', units)} of nominal, ${show(state.drop.worst.limitPct, 'pct', units)} allowed. ${WHY.drop}`
        : WHY.drop;
    case 'surge':
      return state.surge
        ? `${input.surges[state.surge.surgeIndex]?.name ?? ''} sees ${show(state.surge.loadV, 'V', units)} as it starts; it asks for ${show(state.surge.minV, 'V', units)}. ${WHY.surge}`
        : WHY.surge;
    case 'ampacity':
      return `Good for ${show(state.heat.izA, 'A', units)} here; carries ${show(state.heat.dutyA, 'A', units)}. ${WHY.ampacity}`;
    case 'protection':
      return `${protection.ratingA} A on a conductor good for ${show(state.heat.legIzA, 'A', units)}. ${WHY.protection}`;
    case 'fault':
      return state.fault && !state.fault.clears
        ? `${show(state.fault.farA, 'A', units)} at the far end may not open ${protection.ratingA} A within 5 s. ${WHY.fault}`
        : `The conductor would not bear the fault until the device opens. ${WHY.fault}`;
    default:
      return WHY[id];
  }
}

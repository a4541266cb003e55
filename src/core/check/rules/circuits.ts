/** Rules on one circuit that do not go by the volts before its way. */
import { servingOf } from '../../topology';
import { makerAreaMm2, protects } from '../../circuit';
import { type Design, type Finding, dropOp, rowOf, setOp } from '../../design';
import { show, sizeName } from '../../quantity';
import { ASK_SHORT, NONE_INTERRUPTS, shortIsCause, SOURCES, type Told, when } from '../rule';
import { type StillFacts, type StillRule, circuitOf, idOf, serves, setting, unpin } from './circuitFacts';

const allowedM = ({ b }: StillFacts): number => {
  const { protectionWithinM: within } = b.input.rules;
  if (!b.input.circuit.sheathed) return within.bare;
  return b.input.upstream.atBank ? within.sheathedFromBattery : within.sheathedElsewhere;
};

export const CIRCUIT_RULES: readonly StillRule[] = [
  {
    id: 'unidentified',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.taps', 'circuits.found'],
    when: 'a wire was found aboard and nothing is known to be on it',
    why: 'A loose end may be live.',
    todo: 'Trace it; take it out, or insulate and label both ends.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: (f) => when(!serves(f) && f.b.input.circuit.found !== null, () => ({ id: idOf(f), title: 'leads nowhere known' })),
    cure: setting((design, id) => {
      const found = circuitOf(design, id)?.found;
      return found ? { found: { ...found, decision: 'remove' } } : null;
    }),
  },
  {
    id: 'empty',
    about: 'circuit',
    severity: 'note',
    reads: ['circuits.taps'],
    when: 'a circuit has no load and no panel on it',
    why: 'A way without a load is a spare.',
    todo: 'Put a load on it, or leave it as a spare way.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: (f) => when(!serves(f) && f.b.input.circuit.found === null, () => ({ id: idOf(f), title: 'serves nothing yet' })),
    cure: (design, { about }) => [dropOp(design, 'circuits', about.id)],
  },
  {
    id: 'no-source',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.from', 'panels', 'banks'],
    when: 'no bank is reached from the circuit',
    why: 'Nothing can be said of fault currents or drop on the way to it.',
    todo: 'Give its panel a feeder, and the feeder a bank.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.data,
    find: (f) =>
      when(serves(f) && !f.b.input.upstream.bank, () => ({
        id: idOf(f),
        title: 'is not fed from a bank',
        ...(f.unfed === undefined ? {} : { cause: f.unfed }),
      })),
  },
  {
    id: 'protection-conflict',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.pin', 'loads.makerFuseA', 'panels', 'banks', 'places'],
    when: 'no device passes both what the load asks for and what the conductor, the maker or the fault allows',
    why: 'No device suits both sides.',
    todo: 'Settle one of the two sides named.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.dc,
    find: (f) => {
      const { conflict, noneAllowed, asksMaker, shortOf } = f.b.protection;
      return when(serves(f) && conflict !== null && !(noneAllowed && f.b.input.panel?.family != null), () => ({
        id: idOf(f),
        ...(asksMaker
          ? {
              severity: 'fix' as const,
              title: 'its device may not interrupt the bank',
              todo: ASK_SHORT,
            }
          : shortOf !== null
            ? { title: NONE_INTERRUPTS, todo: ASK_SHORT }
            : { title: 'no device suits both sides' }),
        why: conflict ?? '',
        ...shortIsCause(shortOf),
      }));
    },
    cure: setting((design, id) => {
      const c = circuitOf(design, id);
      return c && c.pin.ratingA !== null ? { pin: { ...c.pin, ratingA: null } } : null;
    }),
  },
  {
    id: 'place-refuses',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.insulationC', 'circuits.via', 'places.ambientC', 'places.engineSpace'],
    when: 'the insulation is not allowed in a place the run passes',
    why: 'Its insulation softens there.',
    todo: 'Use a higher insulation rating, or another route.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: (f) => {
      const { refusal } = f.state.heat.derating;
      return when(serves(f) && refusal !== null, () => ({
        id: idOf(f),
        title: `insulation does not suit ${f.b.input.places[f.state.heat.placeIndex]?.name ?? 'a place'}`,
        why: `There: ${refusal ?? ''}.`,
      }));
    },
    cure: setting((design, id) =>
      (circuitOf(design, id)?.insulationC ?? 105) < 105 && !circuitOf(design, id)?.found ? { insulationC: 105 } : null,
    ),
  },
  {
    id: 'terminal-heat',
    about: 'circuit',
    severity: 'note',
    reads: ['circuits', 'house.terminalC', 'house.postC'],
    when: 'the conductor is warmer at its device than the terminal is rated for',
    why: 'The terminal ages and loosens.',
    todo: "Ask the device's maker, or use the next size.",
    hazard: 'fire',
    confirm: 'a meter',
    source: SOURCES.house,
    find: (f) =>
      when(serves(f) && !f.state.terminal.passes, () => ({
        id: idOf(f),
        title: `conductor reaches ${show(f.state.terminal.tempC, 'C', f.units)} at its terminal`,
        why: `The terminal is taken to be good for ${show(f.state.terminal.limitC, 'C', f.units)}.`,
      })),
  },
  {
    id: 'rounded-up',
    about: 'circuit',
    severity: 'note',
    reads: ['house.roundUpToNext', 'loads.ownTrip'],
    when: 'the device is rated above the conductor by the house rule "next standard rating"',
    why: 'Allowed by the house rule "next standard rating, up to 1.5 ×", since the load cannot overload or has its own trip.',
    todo: 'Keep it only where that is so.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.house,
    find: (f) =>
      when(serves(f) && protects(f.b, f.state.heat.legIzA).byHouseRule, () => ({
        id: idOf(f),
        title: `${f.b.protection.ratingA} A is above the conductor's ${show(f.state.heat.legIzA, 'A', f.units)}`,
      })),
  },
  {
    id: 'maker-silent',
    about: 'circuit',
    severity: 'note',
    reads: ['loads.makerWire', 'circuits.taps'],
    when: 'the run is longer than the longest the maker gives a wire for',
    why: 'The size beyond the sheet is worked out by us at equal drop.',
    todo: 'Ask the maker.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.maker,
    find: (f) => {
      const beyond = serves(f) ? makerAreaMm2(f.b.input) : null;
      return when(beyond?.beyond === true, () => ({
        id: idOf(f),
        title: `the maker of ${beyond?.tapName ?? ''} is silent at this length`,
      }));
    },
  },
  {
    id: 'pin-school',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.pin', 'boat.ruleSet'],
    when: 'a size of the other school is pinned',
    why: "The boat's rule set has no such size; the application's choice is used.",
    todo: 'Pin a size of this rule set, or unpin.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: (f) => {
      const { size } = f.b.input.circuit.pin;
      return when(serves(f) && size !== null && size.school !== f.b.input.school, () => ({
        id: idOf(f),
        title: `pinned as ${size ? sizeName(size.school, size.size) : ''}, a size of the other school`,
      }));
    },
    cure: unpin,
  },
  {
    id: 'over-load-gap',
    about: 'circuit',
    severity: 'note',
    reads: ['house.protectionOverLoadMost', 'circuits.pin'],
    when: 'the device is rated further above the load than the house rule allows',
    why: 'The next standard rating is above the house limit.',
    todo: 'Accept the gap, or use a family with finer ratings.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.house,
    find: (f) => {
      const { input, protection } = f.b;
      const most = input.house.protectionOverLoadMost;
      return when(serves(f) && most !== null && input.workingA > 0 && protection.ratingA > most * input.workingA, () => ({
        id: idOf(f),
        title: `${protection.ratingA} A is ${(protection.ratingA / input.workingA).toFixed(2)} × the load`,
        why: `The house rule keeps a device within ${most ?? 0} × the load; the next standard rating is above it.`,
      }));
    },
  },
  {
    id: 'placement',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.deviceAtM', 'circuits.sheathed', 'boat.ruleSet'],
    when: 'the device is further along the conductor than the rules allow',
    why: 'Up to the device the conductor is unprotected.',
    todo: 'Move the device nearer to its source.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: (f) =>
      when(serves(f) && f.b.input.circuit.deviceAtM > allowedM(f) + 1e-9, () => ({
        id: idOf(f),
        title: `protection is ${show(f.b.input.circuit.deviceAtM, 'm', f.units)} from its source`,
        why: `Unprotected conductor: ${show(allowedM(f), 'm', f.units)} is the most here. ${f.b.input.rules.source}.`,
        todo: `Move the device within ${show(allowedM(f), 'm', f.units)}${f.b.input.circuit.sheathed ? '' : ', or sheath the conductor all the way'}.`,
      })),
    cure: setting(() => ({ deviceAtM: 0.1 })),
  },
  {
    id: 'vapour',
    about: 'circuit',
    severity: 'stop',
    reads: ['places.vapour', 'circuits.pin'],
    when: 'a device that is not ignition protected is where petrol vapour is possible',
    why: 'A spark at the device can ignite it: explosion.',
    todo: 'Move it out of the space, or use an ignition-protected family.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: (f) =>
      when(serves(f) && f.b.input.upstream.place?.vapour === true && !f.b.family.ignitionProtected, () => ({
        id: idOf(f),
        title: 'device not ignition protected where petrol vapour is possible',
      })),
    cure: setting((design, id) => {
      const c = circuitOf(design, id);
      return c && c.pin.family !== null ? { pin: { ...c.pin, family: null } } : null;
    }),
  },
  {
    id: 'volts',
    about: 'load',
    severity: 'stop',
    reads: ['loads.nominalV', 'boat.systemV'],
    when: 'a load is made for volts its circuit does not have',
    why: 'It burns, or does not run.',
    todo: 'Feed it through a converter, or choose another.',
    hazard: 'damage',
    confirm: 'nothing',
    source: SOURCES.maker,
    find: (f) =>
      f.b.input.taps.flatMap((t): readonly Told[] =>
        when(t.load !== null && Math.abs(t.load.nominalV - f.b.input.systemV) > 0.26 * f.b.input.systemV, () => ({
          id: idOf(f),
          suffix: `-${t.load?.id ?? ''}`,
          about: { kind: 'load', id: t.load?.id ?? '' },
          title: `made for ${t.load?.nominalV ?? 0} V`,
          why: `Its bank is ${f.b.input.systemV} V nominal.`,
        })),
      ),
  },
  {
    id: 'supply',
    about: 'load',
    severity: 'fix',
    reads: ['loads.supply', 'circuits.supply'],
    when: 'a load asks for another supply than its circuit has',
    why: 'It may stay live, or die, when that is not meant.',
    todo: 'Move it to a circuit of that class, or change what it asks for.',
    hazard: 'flooding',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: (f) =>
      f.b.input.taps.flatMap((t): readonly Told[] => {
        const { circuit } = f.b.input;
        const asks = t.load?.supply;
        return when(asks !== undefined && asks !== circuit.supply, () => ({
          id: circuit.id,
          suffix: `-${t.load?.id ?? ''}`,
          about: { kind: 'load', id: t.load?.id ?? '' },
          severity: asks === 'always live' ? 'fix' : 'note',
          title: `asks to be fed "${asks ?? ''}"`,
          why: `This circuit is "${circuit.supply}": ${asks === 'always live' ? 'it dies when the switch is off.' : 'it may stay live, or die, when that is not meant.'}`,
        }));
      }),
    cure: (design, { about }) => {
      const c = servingOf(design.circuits).loads.get(about.id);
      const load = rowOf(design.loads, about.id);
      // What guards the boat keeps what it asks for.
      return c && load && load.supply !== 'always live' ? [setOp(design, ['loads', load.id, 'supply'], c.supply)] : null;
    },
  },
];

/** Why a circuit has no bank, as another finding's id; undefined where one feeds it. */
export const unfedBy = (
  design: Design,
  circuitId: string,
  loops: ReadonlySet<string>,
  fed: ReadonlySet<string>,
): Finding['id'] | undefined => {
  const circuit = circuitOf(design, circuitId);
  if (!circuit) return undefined;
  if (design.banks.length === 0) return 'no-bank:boat';
  if (circuit.from.kind === 'bank' || fed.has(circuit.from.id)) return undefined;
  return loops.has(circuitId) ? `loop:${circuitId}` : `no-feeder:${circuit.from.id}`;
};

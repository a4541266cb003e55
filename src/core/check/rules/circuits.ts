/** Rules on one circuit, from its results. */
import { type CircuitTrial, type CriterionId, type Ladder, makerAreaMm2, protects, type State } from '../../circuit';
import { type Design, type Finding, setOp, type Severity, rowOf } from '../../design';
import { choiceName, show, sizeName, type Units } from '../../quantity';
import { ASK_SHORT, type Hazard, type Rule, SOURCES, type Told, when } from './../rule';

/** What rules on a circuit read. */
export interface CircuitFacts {
  readonly b: CircuitTrial;
  readonly own: Ladder;
  readonly state: State;
  readonly units: Units;
  /** The finding that says why nothing feeds it; undefined where a bank does. */
  readonly unfed: string | undefined;
  /** Petrol vapour is possible somewhere aboard. */
  readonly vapour: boolean;
}

export type CircuitRule = Rule<CircuitFacts>;

export const circuitOf = (design: Design, id: string) => rowOf(design.circuits, id);
export const idOf = ({ b }: CircuitFacts): string => b.input.circuit.id;
const serves = ({ b }: CircuitFacts): boolean => b.input.circuit.taps.length > 0;
/** Sets fields of the circuit a finding is about. */
const setting =
  (change: (design: Design, id: string) => Readonly<Record<string, unknown>> | null): NonNullable<CircuitRule['cure']> =>
  (design, { about }) => {
    const fields = change(design, about.id);
    return fields && Object.entries(fields).map(([key, value]) => setOp(design, ['circuits', about.id, key], value));
  };
/** Takes the pinned size off, so that the application chooses, with the pieces its ends may ask for. */
const unpin = setting((design, id) => {
  const c = circuitOf(design, id);
  return c?.pin.size && !c.found ? { pin: { ...c.pin, size: null, legs: 1, ownDevices: false }, stepDown: true } : null;
});

/** The device too, where it is pinned so large that a far short never opens it. */
const release = setting((design, id) => {
  const c = circuitOf(design, id);
  if (!c || c.found || (!c.pin.size && !c.pin.ratingA)) return null;
  return { pin: { size: null, legs: 1, family: null, ratingA: null, ownDevices: false }, stepDown: true };
});

interface Failure {
  readonly id: CriterionId;
  readonly name: string;
  readonly severity: Severity;
  readonly why: string;
  readonly hazard: Hazard;
  readonly source: string;
  /** The figures behind it, before the why. */
  readonly figures: (facts: CircuitFacts) => string;
}

const NO_DROP = { tapIndex: 0, runPct: 0, allowedPct: 0 };

const tapName = ({ b }: CircuitFacts, i: number): string => b.input.taps[i]?.name ?? '';

const FAILURES: readonly Failure[] = [
  {
    id: 'ampacity',
    name: 'ampacity',
    severity: 'stop',
    why: 'The conductor runs hotter than its insulation is rated for.',
    hazard: 'fire',
    source: SOURCES.dc,
    figures: ({ state, units }) => `Good for ${show(state.heat.izA, 'A', units)} here; carries ${show(state.heat.dutyA, 'A', units)}. `,
  },
  {
    id: 'protection',
    name: 'protection',
    severity: 'stop',
    why: 'The device would let the conductor overheat before it opens: fire.',
    hazard: 'fire',
    source: SOURCES.dc,
    figures: ({ b, state, units }) => `${b.protection.ratingA} A on a conductor good for ${show(state.heat.legIzA, 'A', units)}. `,
  },
  {
    id: 'drop',
    name: 'drop',
    severity: 'fix',
    why: 'Lamps go dim, electronics restart and motors run hot.',
    hazard: 'none',
    source: SOURCES.dc,
    figures: (f) => {
      const over = f.state.drop.taps.reduce(
        (w, t) => (t.runPct - t.allowedPct > w.runPct - w.allowedPct ? t : w),
        f.state.drop.taps[0] ?? NO_DROP,
      );
      return `${tapName(f, over.tapIndex)}: ${show(over.runPct, 'pct', f.units)} of nominal in its own run, ${show(over.allowedPct, 'pct', f.units)} allowed. `;
    },
  },
  {
    id: 'surge',
    name: 'surge',
    severity: 'fix',
    why: 'It may stall or never start, and a stalled motor heats the whole run.',
    hazard: 'none',
    source: SOURCES.practice,
    figures: ({ b, state: { surge }, units }) =>
      surge
        ? `${b.input.surges[surge.surgeIndex]?.name ?? ''} gets ${show(surge.loadV, 'V', units)} as it starts; it asks for ${show(surge.minV, 'V', units)}. `
        : '',
  },
  {
    id: 'maker',
    name: 'maker',
    severity: 'stop',
    why: "The maker's sheet rules; less voids it.",
    hazard: 'fire',
    source: SOURCES.maker,
    figures: () => '',
  },
  {
    id: 'mechanical',
    name: 'mechanical',
    severity: 'fix',
    why: 'Thin conductors break under vibration.',
    hazard: 'none',
    source: SOURCES.dc,
    figures: () => '',
  },
  {
    id: 'fault',
    name: 'the far-end short',
    severity: 'stop',
    why: 'A short at the far end harms the conductor before the device opens.',
    hazard: 'fire',
    source: SOURCES.dc,
    figures: ({ b, state: { fault }, units }) =>
      fault
        ? `${show(fault.farA, 'A', units)} at the far end opens ${b.protection.ratingA} A in ${show(fault.farClearsS, 's', units)} at the slowest; the conductor bears it ${show(fault.farBearsS, 's', units)}, and half of that is asked for. `
        : '',
  },
  {
    id: 'terminals',
    name: 'terminals',
    severity: 'stop',
    why: 'The conductor brings more heat to the terminal than it is rated for.',
    hazard: 'fire',
    source: SOURCES.house,
    figures: () => '',
  },
];

type Share = 'before' | 'devices' | 'run';

/** Volts lost to the worst tap by what takes them. */
function takes({ b, state }: CircuitFacts): Readonly<Record<Share, number>> {
  const worst = state.drop.worst;
  return { before: b.input.upstreamDropV, devices: state.drop.headV, run: worst?.runV ?? 0 };
}
const largestShare = (f: CircuitFacts): Share => {
  const t = takes(f);
  return t.before >= t.devices && t.before >= t.run ? 'before' : t.devices >= t.run ? 'devices' : 'run';
};
const sharesOf = (f: CircuitFacts): string => {
  const t = takes(f);
  const mv = (volts: number) => `${Math.round(1000 * volts)} mV`;
  return `Main and feeder take ${mv(t.before)}, its own device and switches ${mv(t.devices)}, its run ${mv(t.run)}.`;
};
const LARGEST: Readonly<Record<Share, string>> = {
  before: 'A heavier feeder by one size, a feeder of its own, or a second panel nearer to it.',
  devices: 'A way or fuse of a larger rating, a fuse instead of a breaker, or a better switch.',
  run: 'A shorter way, or a heavier conductor pinned.',
};

/** The feeder's own failing, where what feeds it takes the most. */
const broughtBy = ({ b }: CircuitFacts): { readonly cause?: string } => {
  const feeder = b.input.upstream.chain.at(-1);
  return feeder === undefined ? {} : { cause: `fails-drop:${feeder}` };
};

/** What would pass in its place. */
function instead({ own }: CircuitFacts, id: CriterionId): string {
  const rung = own.rungs.find((r) => r.id === id)?.smallest;
  const stuck = own.proposed && !own.pinned && !own.kept && choiceName(own.proposed) === choiceName(own.chosen);
  if (stuck && (id === 'drop' || id === 'surge'))
    return 'More copper is no cure for a light load: a shorter way, a feeder of its own, or a panel nearer to it.';
  if (own.pinned && own.proposed) return `Unpin, or pin ${choiceName(own.proposed)} or heavier.`;
  if (own.proposed) return `${own.kept ? 'Replace it with' : 'Use'} ${choiceName(own.proposed)}.`;
  if (rung) return `${own.kept ? 'Replace it with' : 'Use'} ${sizeName(own.school, rung)} or heavier; no size passes every test.`;
  return 'No size in the table passes: shorten the run, split the load, or move its source.';
}

const failed = ({ id, name, severity, why, hazard, source, figures }: Failure): CircuitRule => ({
  id: `fails-${id}`,
  about: 'circuit',
  severity,
  reads: ['circuits', 'loads', 'banks', 'places', 'house'],
  when: `the chosen conductor does not pass the test: ${name}`,
  why,
  todo: 'Use the size the test asks for.',
  hazard,
  confirm: 'nothing',
  source,
  find: (f) =>
    when(serves(f) && f.state.failing.includes(id) && !(id === 'ampacity' && f.state.heat.derating.refusal !== null), () => ({
      id: idOf(f),
      title: `${choiceName(f.own.chosen)}${f.own.pinned ? ', pinned,' : f.own.kept ? ', as found,' : ''} fails ${name}`,
      why: `${figures(f)}${why}`.trim(),
      todo: instead(f, id),
      // A device nobody could choose right spoils both.
      ...((id === 'protection' || id === 'fault') && f.b.protection.conflict !== null ? { cause: `protection-conflict:${idOf(f)}` } : {}),
    })),
  cure: id === 'fault' ? release : unpin,
});

const allowedM = ({ b }: CircuitFacts): number => {
  const { protectionWithinM: within } = b.input.rules;
  if (!b.input.circuit.sheathed) return within.bare;
  return b.input.upstream.atBank ? within.sheathedFromBattery : within.sheathedElsewhere;
};

export const CIRCUIT_RULES: readonly CircuitRule[] = [
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
    reads: ['circuits.pin', 'loads.makerFuseA', 'panels', 'banks'],
    when: 'no device passes both what the load asks for and what the conductor, the maker or the fault allows',
    why: 'No device suits both sides.',
    todo: 'Settle one of the two sides named.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.dc,
    find: (f) => {
      const { conflict, noneAllowed, asksMaker } = f.b.protection;
      return when(serves(f) && conflict !== null && !(noneAllowed && f.b.input.panel?.family != null), () => ({
        id: idOf(f),
        ...(asksMaker
          ? {
              severity: 'fix' as const,
              title: 'its device may not interrupt the bank',
              todo: ASK_SHORT,
            }
          : { title: 'no device suits both sides' }),
        why: conflict ?? '',
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
  ...FAILURES.filter((x) => x.id !== 'drop' && x.id !== 'surge').map(failed),
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
          why: `The system is ${f.b.input.systemV} V nominal.`,
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
  },
  ...FAILURES.filter((x) => x.id === 'drop' || x.id === 'surge').map(failed),
  {
    id: 'path-drop',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits', 'loads', 'panels', 'house'],
    when: 'the run is in order but the whole path from the bank to a load loses more than it may',
    why: 'Lamps go dim, electronics restart and motors run hot.',
    todo: 'Mend the largest share first.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.dc,
    find: (f) => {
      const { drop, failing } = f.state;
      const { worst } = drop;
      return when(
        serves(f) && !f.b.input.isFeeder && !drop.collapses && !drop.wholePasses && !failing.includes('drop') && worst !== null,
        () => ({
          id: idOf(f),
          title: `the whole path loses ${show(worst?.pct, 'pct', f.units)} of ${show(worst?.limitPct, 'pct', f.units)} allowed`,
          why: `${tapName(f, worst?.tapIndex ?? 0)} gets ${show(worst?.loadV, 'V', f.units)}. ${sharesOf(f)}`,
          todo: LARGEST[largestShare(f)],
          ...(largestShare(f) === 'before' ? broughtBy(f) : {}),
        }),
      );
    },
  },
  {
    id: 'path-start',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits', 'loads.surgeA', 'banks', 'panels'],
    when: 'the run is in order but a load gets fewer volts than it needs as it starts',
    why: 'It may stall or never start, and a stalled motor heats the whole run.',
    todo: 'Mend the largest share first.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: (f) => {
      const { surge, failing } = f.state;
      const start = surge && f.b.input.surges[surge.surgeIndex];
      return when(serves(f) && surge !== null && !surge.wholePasses && !failing.includes('surge'), () => ({
        id: idOf(f),
        title: `${start?.name ?? ''} gets ${show(surge?.loadV, 'V', f.units)} as it starts`,
        why: `It asks for ${show(surge?.minV, 'V', f.units)}. The posts sag to ${show(surge?.sagV, 'V', f.units)}; ${show(surge?.upstreamV, 'V', f.units)} is lost in what feeds the way and ${show(surge?.ownV, 'V', f.units)} in its own device and run.`,
        todo:
          (surge?.upstreamV ?? 0) > (surge?.ownV ?? 0)
            ? 'A heavier feeder, or a way of its own from the main bus.'
            : 'A device that loses less, a shorter way, or a larger bank.',
      }));
    },
  },
  {
    id: 'far-end-slow',
    about: 'circuit',
    severity: 'note',
    reads: ['circuits', 'banks'],
    when: 'a short at the far end burns for more than 5 s before the device opens, without harm to the conductor',
    why: 'Whatever shorted there goes on burning meanwhile.',
    todo: 'A smaller or a faster device; more copper only where it is near.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.dc,
    find: (f) => {
      const { fault } = f.state;
      const s = fault?.farClearsS ?? 0;
      return when(serves(f) && fault !== null && fault.passes && !fault.clears, () => ({
        id: idOf(f),
        severity: s === Infinity ? 'stop' : s > 60 ? 'fix' : 'note',
        title:
          s === Infinity
            ? `a short at the far end may never open ${f.b.protection.ratingA} A`
            : `a short at the far end burns for ${show(s, 's', f.units)} before ${f.b.protection.ratingA} A opens`,
        why: `The least current there is ${show(fault?.farA, 'A', f.units)}. Whatever shorted goes on burning meanwhile.`,
      }));
    },
    cure: release,
  },
  {
    id: 'collapse',
    about: 'circuit',
    severity: 'stop',
    reads: ['loads.behaviour', 'loads.rating', 'circuits'],
    when: 'a constant-power load asks for more than its supply can give at any volts',
    why: 'A constant-power load draws more as volts fall; here there is no voltage at which it can run.',
    todo: 'Use a heavier conductor or a shorter run.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: (f) => when(serves(f) && f.state.drop.collapses, () => ({ id: idOf(f), title: 'the supply collapses' })),
    cure: unpin,
  },
  {
    id: 'leg-open',
    about: 'circuit',
    severity: 'note',
    reads: ['circuits.pin'],
    when: 'with one of several legs open the others are overloaded or lose too much',
    why: 'The other legs would be overloaded.',
    todo: 'Check both lugs of each leg every year; a device on each leg at both ends shows an open one.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: (f) => {
      const { legOpen } = f.state;
      return when(serves(f) && legOpen !== null && !legOpen.passes, () => ({
        id: idOf(f),
        title: 'would not do with one leg open',
        why: `The rest would carry ${show(legOpen?.legA, 'A', f.units)} each, good for ${show(legOpen?.legIzA, 'A', f.units)}, with ${show(legOpen?.pct, 'pct', f.units)} drop.`,
      }));
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

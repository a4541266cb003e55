/** Rules on a circuit's volts, its slow far end and its open leg. */
import { foundOhm } from '../../circuit';
import { show } from '../../quantity';
import { SOURCES, when } from '../rule';
import { type CircuitFacts, type CircuitRule, idOf, release, serves, unpin, replaceIt } from './circuitFacts';
import { tapName } from './circuitFailures';

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

export const CIRCUIT_VOLTS_RULES: readonly CircuitRule[] = [
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
  {
    id: 'bad-joints',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.found.faults'],
    when: 'joints found bad take more than 1 % of the volts',
    why: 'What the joints take, no cable brings back.',
    todo: 'Make the joints anew, and tighten them to the torque of the stud, before blaming the cable.',
    hazard: 'fire',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: (f) => {
      const { found, workingA, systemV, taps } = f.b.input;
      const lostV = found ? workingA * foundOhm(found) : 0;
      const { worst } = f.state.drop;
      return when(taps.length > 0 && lostV > 0.01 * systemV && worst !== null, () => ({
        id: idOf(f),
        title: `loses ${show(lostV, 'V', f.units)} in bad joints`,
        why: `Of ${show(worst?.dropV, 'V', f.units)} in all.`,
      }));
    },
    cure: replaceIt,
  },
];

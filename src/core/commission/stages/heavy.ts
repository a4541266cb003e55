/** Stage 3: heavy paths part by part, the engine turned over, and what is warm after half an hour. */
import { bankSource, cranking } from '../../bank';
import type { CircuitResult } from '../../circuit';
import { nominalW } from '../../demand';
import { type Circuit, type Design, kindOf, rowOf, startBankOf } from '../../design';
import { bandOf, even, meter } from '../band';
import { show } from '../../quantity';
import { type Conditions, degrees, dropBand, line, probesAt, type TestLine } from '../line';
import { pathOf } from '../path';
import { stretchesOf } from '../stretch';
import { HEAVY_A } from './circuits';

/** Two sigma of a temperature rise: air at the spot, how long it ran, how it lies. Ours. */
const RISE_SPREAD = 0.35;
const THERMOMETER_C = 2;
/** Two sigma of what a starter draws, part of what its maker says. */
const CRANK_SPREAD = 0.25;
/** Ids of elements hold signs that a record's thing should not. */
const plain = (id: string): string => id.replaceAll('+', 'p').replaceAll('−', 'n');

export function heavyLines(design: Design, circuits: readonly CircuitResult[], given: Conditions): TestLine[] {
  return [
    ...partLines(design, circuits, given),
    ...design.circuits.flatMap((c) => {
      const r = rowOf(circuits, c.id);
      return r ? warm(design, c, r) : [];
    }),
    ...cranked(design),
  ];
}

/** Each part of the heavy loads' paths for itself: a whole path may hold while one joint of it is bad. What several go through is read once, with the largest on. */
function partLines(design: Design, circuits: readonly CircuitResult[], given: Conditions): TestLine[] {
  const heavy = design.circuits.flatMap((c) =>
    c.taps.flatMap((t, tap) => {
      const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
      const amps = load ? nominalW(load) / load.nominalV : 0;
      return !load || load.group === 'charging' || kindOf(load) === 'starter' || amps < HEAVY_A ? [] : [{ c, t, tap, load, amps }];
    }),
  );
  const read = new Set<string>();
  return heavy
    .sort((x, y) => y.amps - x.amps)
    .flatMap(({ c, t, tap, load, amps }) => {
      const parts = stretchesOf(pathOf(design, circuits, c.id, tap, given.ambientC));
      return parts.flatMap((part, k): TestLine[] => {
        if (read.has(part.id)) return [];
        read.add(part.id);
        return [
          line(3, {
            id: `part.${c.id}.${t.id}.${plain(part.id)}`,
            what: `${part.what}, on the way to ${`${c.no} ${load.name}`.trim()}`,
            state: 'it alone is on; its amps as just read',
            probes: 'from stud to stud, over this part alone, both its ends within',
            unit: 'mV',
            band: dropBand(part.elements, amps),
            working: `${part.elements.reduce((n, e) => n + e.mohm, 0).toFixed(3)} mΩ at ${amps.toFixed(1)} A, copper at ${show(given.ambientC, 'C', design.boat)}; a sound joint 0.03 mΩ, one above 0.1 is bad`,
            outside: 'Its ends apart, cleaned, made again, torqued; then read again.',
            drop: { atA: amps, elements: part.elements },
            at: probesAt(parts, k, k),
          }),
        ];
      });
    });
}

/** Runs for seconds or minutes alone: it is not run warm on purpose. */
const isShort = (design: Design, c: Circuit): boolean =>
  c.taps.every((t) => {
    const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
    return load !== undefined && (load.duty !== null || ['windlass or thruster', 'starter'].includes(kindOf(load) ?? ''));
  });

/** What a circuit of 50 A or more warms its end to, where it runs for long. */
function warm(design: Design, c: Circuit, r: CircuitResult): TestLine[] {
  if (r.workingA < HEAVY_A || isShort(design, c)) return [];
  const { tempC, limitC } = r.own.state.terminal;
  const ambientC = rowOf(design.places, placeOf(design, c))?.ambientC ?? 25;
  const rise = Math.max(0, tempC - ambientC);
  const { unit, at, by } = degrees(design);
  return [
    line(3, {
      id: `heat.${c.id}`,
      what: `warmest stud, fuse and switch of ${`${c.no} ${c.name}`.trim()}, at ${r.workingA.toFixed(0)} A`,
      state: 'at its working current for 30 to 60 minutes',
      probes: 'thermometer on each stud, fuse and switch along it; the warmest counts',
      unit,
      band: bandOf(at(tempC), [even('rise', by(RISE_SPREAD * rise)), even('air', by(10)), even('thermometer', by(THERMOMETER_C))]),
      limit: { least: null, most: at(limitC) },
      working: `${show(rise, 'dC', design.boat)} above ${show(ambientC, 'C', design.boat)}; its terminals bear ${show(limitC, 'C', design.boat)}`,
      hazard: 'Hot metal burns; covers stay on but where it is read.',
      outside: 'One spot warmer than the next is a joint: its millivolts, then made again.',
    }),
  ];
}

const placeOf = (design: Design, c: Circuit): string | null =>
  (c.from.kind === 'bank' ? rowOf(design.banks, c.from.id) : rowOf(design.panels, c.from.id))?.placeId ?? null;

/** The engine turned over, with its fuel off: what the starter gets, and what its bank falls to. */
function cranked(design: Design): TestLine[] {
  const bank = startBankOf(design);
  if (!bank) return [];
  const { starterV, minV, crankA } = cranking(design, bank);
  const { ohm } = bankSource(bank);
  const state = 'bank full, fuel off, neutral, ten seconds at the most';
  const hazard = 'Belts and shafts turn: everybody clear. Ten seconds, then a minute’s rest.';
  const pathV = (crankA * design.engine.crankPathMohm) / 1000;
  return [
    line(3, {
      id: `crank.starter.${bank.id}`,
      what: 'volts at the starter while it turns the engine',
      state,
      probes: 'starter’s stud to its body',
      unit: 'V',
      // Warm is better than the coldest day it is reckoned for.
      limit: { least: minV, most: null },
      working: `${starterV.toFixed(2)} V on the coldest day from full, ${crankA} A; it needs ${minV} V`,
      hazard,
      outside: 'Bank, cable or return: the next two lines say which.',
    }),
    line(3, {
      id: `crank.posts.${bank.id}`,
      what: `fall of ${bank.name} at its posts while it cranks`,
      state,
      probes: `post to post of ${bank.name}: at rest less while it turns`,
      unit: 'V',
      band: bandOf(crankA * ohm, [
        even('what it draws', CRANK_SPREAD * crankA * ohm),
        even('its resistance', 0.5 * crankA * ohm),
        meter(crankA * ohm, 0.01),
      ]),
      working: `${(1000 * ohm).toFixed(2)} mΩ at ${crankA} A`,
      hazard,
      outside: 'More: a weak or cold block. Charge it, rest it, test each block alone.',
    }),
    line(3, {
      id: `crank.path.${bank.id}`,
      what: 'volts lost between the start bank and the starter, there and back',
      state,
      probes: 'post + to the starter’s stud, and its body to post −; both added',
      unit: 'V',
      band: bandOf(pathV, [even('what it draws', CRANK_SPREAD * pathV), even('copper and joints', 0.3 * pathV), meter(pathV, 0.01)]),
      working: `${design.engine.crankPathMohm} mΩ at ${crankA} A`,
      hazard,
      outside: 'Part by part: switch, lugs, engine block and its strap.',
    }),
  ];
}

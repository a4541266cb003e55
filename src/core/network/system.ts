/** The boat as one network: banks, feeders, panels, branches, sources and loads, both conductors apart (docs/methods.md, M6). */
import { alternatorAt } from '../charge/alternator';
import { ohmsOf, type CircuitResult } from '../circuitResult';
import type { Circuit, Design, Join, Load, Source, Study } from '../design';
import { asDecided } from '../design/decided';
import { chargerAmps, TYPICAL_PATH_OHM } from '../energy/sources';
import { isCharging } from './asked';
import { bankRestV, bankSource } from './bankSource';
import { loadCurrent } from './loadCurrent';
import type { Paths } from '../energy/paths';
import type { NetBranch, Network } from './solve/network';

/** A strap between the negatives of two banks, and a closed contact between their positives, ohm: typical. */
const STRAP_OHM = 0.0005;
const CONTACT_OHM = 0.001;

export interface System {
  readonly network: Network;
  /** By circuit: its branches, positive and negative, and the part of each that is copper of its own run (not devices before it). */
  readonly runs: ReadonlyMap<string, readonly string[]>;
  /** Loads that are asked for and stand behind something open, or on no circuit. */
  readonly cutOff: readonly string[];
}

const post = (bankId: string, rail: '+' | '-') => `bank ${bankId}${rail}`;
const bar = (panelId: string, rail: '+' | '-') => `panel ${panelId}${rail}`;
const tapNode = (circuitId: string, tapId: string, rail: '+' | '-') => `${circuitId}/${tapId}${rail}`;

/** @param circuits results of this process, not copies. */
export function systemOf(whole: Design, circuits: readonly CircuitResult[], study: Study, paths: Paths = {}): System {
  const design = asDecided(whole);
  const results = new Map(circuits.map((r) => [r.id, r]));
  const branches: NetBranch[] = [];
  const runs = new Map<string, readonly string[]>();
  const ends = new Map<string, { readonly plus: string; readonly minus: string }>();
  for (const circuit of design.circuits) {
    const result = results.get(circuit.id);
    const ohms = result && ohmsOf(result);
    if (!ohms || !closed(circuit, study)) continue;
    const laid = runOf(circuit, ohms.head, ohms.segments);
    branches.push(...laid);
    runs.set(
      circuit.id,
      laid.map((b) => b.id),
    );
    for (const tap of circuit.taps)
      if (tap.serves.kind === 'load' && !ends.has(tap.serves.id))
        ends.set(tap.serves.id, { plus: tapNode(circuit.id, tap.id, '+'), minus: tapNode(circuit.id, tap.id, '-') });
  }
  const [first] = design.banks;
  for (const bank of design.banks)
    if (first && bank.id !== first.id)
      branches.push({ id: `strap ${bank.id}`, a: post(first.id, '-'), b: post(bank.id, '-'), ohm: STRAP_OHM });
  for (const join of design.joins)
    if (join.firstId !== null && join.secondId !== null && together(join, study))
      branches.push({ id: `join ${join.id}`, a: post(join.firstId, '+'), b: post(join.secondId, '+'), ohm: CONTACT_OHM });
  const asked = design.loads.filter((l) => study.loads[l.id] !== undefined && !isCharging(l));
  const reached = asked.filter((l) => ends.has(l.id));
  return {
    network: {
      branches,
      banks: design.banks.map((b) => {
        const source = bankSource(b);
        return { id: b.id, plus: post(b.id, '+'), minus: post(b.id, '-'), emfV: bankRestV(source, study.soc), ohm: source.ohm };
      }),
      sources: design.sources.flatMap((s) => sourceOf(design, s, study, paths)),
      loads: reached.map((l) => ({
        id: l.id,
        ...(ends.get(l.id) ?? { plus: '', minus: '' }),
        ...drawOf(l, study.loads[l.id] === 'start'),
      })),
    },
    runs,
    cutOff: asked.filter((l) => !ends.has(l.id)).map((l) => l.id),
  };
}

/** What hangs on the engine's key is dead while it stands. */
const closed = (circuit: Circuit, study: Study): boolean => circuit.supply !== 'engine key' || study.engineRpm > 0;

function together(join: Join, study: Study): boolean {
  if (join.kind === 'relay') return study.engineRpm > 0 || study.shore;
  if (join.kind === 'splitter') return false;
  return (study.engineRpm > 0 ? join.running : join.stopped) === 'both';
}

/** A circuit's branches: what is in line on the positive, then each segment, half of it on either rail. */
function runOf(circuit: Circuit, headOhm: number, segments: readonly number[]): NetBranch[] {
  const from = (rail: '+' | '-') => (circuit.from.kind === 'bank' ? post(circuit.from.id, rail) : bar(circuit.from.id, rail));
  const head = `${circuit.id}/head+`;
  const nodeOf = (at: number, rail: '+' | '-'): string => {
    const tap = circuit.taps[at];
    if (!tap) return rail === '+' ? head : from('-');
    return tap.serves.kind === 'panel' ? bar(tap.serves.id, rail) : tapNode(circuit.id, tap.id, rail);
  };
  return [
    { id: `${circuit.id}/head`, a: from('+'), b: head, ohm: headOhm },
    ...circuit.taps.flatMap((tap, i): NetBranch[] => {
      const parent = circuit.taps.findIndex((t) => t.id === tap.parent);
      return (['+', '-'] as const).map((rail) => ({
        id: `${circuit.id}/${tap.id}${rail}`,
        a: nodeOf(parent, rail),
        b: nodeOf(i, rail),
        ohm: (segments[i] ?? 0) / 2,
      }));
    }),
  ];
}

/** What a load draws: as rated, or at its start, which a motor or supply draws as so many amps. */
function drawOf(load: Load, starting: boolean): { watts: number; siemens: number; amps: number } {
  const none = { watts: 0, siemens: 0, amps: 0 };
  const { nominalA, nominalW, surgeA } = loadCurrent(load, { lowV: load.nominalV, chargingV: load.nominalV });
  if (starting && surgeA !== null) return { ...none, amps: surgeA };
  if (load.behaviour === 'power') return { ...none, watts: nominalW };
  if (load.behaviour === 'resistance') return { ...none, siemens: nominalA / load.nominalV };
  return { ...none, amps: nominalA };
}

/** Alternators at the study's engine speed, chargers on shore power; sun and wind are left out: a study asks what is sure. */
function sourceOf(design: Design, s: Source, study: Study, paths: Paths): Network['sources'] {
  // What goes through a selector or splitter lands on its first bank.
  const bankId = s.bankId ?? design.joins.find((j) => j.id === s.joinId)?.firstId ?? null;
  if (bankId === null) return [];
  const limitA =
    s.kind === 'alternator' && s.alternator && study.engineRpm > 0
      ? alternatorAt(s.alternator, design.boat.systemV, study.engineRpm, 0, Infinity).beltA
      : s.kind === 'shore charger' && study.shore
        ? chargerAmps(design, s, 0)
        : 0;
  if (!(limitA > 0)) return [];
  const pathOhm = (s.pathMohm ?? paths[s.id] ?? 1000 * TYPICAL_PATH_OHM) / 1000;
  const ohm = s.regulator.bandV / limitA + (s.regulator.sense === 'the bank' ? 0 : pathOhm);
  return [{ id: s.id, plus: post(bankId, '+'), minus: post(bankId, '-'), setV: s.regulator.absorptionV, ohm, limitA }];
}

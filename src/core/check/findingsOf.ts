/** Every finding of a design: one function over the one table, set by set, each kept while nothing it reads has changed. */
import { AC_READS } from '../ac';
import type { CircuitResult, CircuitTrial, WorkedCircuit } from '../circuit';
import { type Design, type Finding, partsRead, share } from '../design';
import type { BatteryCableResult } from '../mainSide';
import { circuitOrder, sameParts, servingOf } from '../topology';
import { withDepartures } from './departures';
import { bySeverity } from './finding';
import { findingsIn } from './rule';
import type { AcPower } from './rules/acMachines';
import { acRunFacts } from './rules/acRuns';
import type { StillFacts } from './rules/circuitFacts';
import { unfedBy } from './rules/circuits';
import { mainSideFacts } from './rules/mainSideRule';
import type { DayNeed } from './rules/lasting';
import type { CircuitOdds } from './rules/odds';
import type { StudyFacts } from './rules/studies';
import { CHARGING_READS, DESIGN_READS, EQUIPMENT_READS, MAIN_SIDE_READS } from './rules/reads';
import { RULES, type RuleSet } from './table';

export interface Facts {
  /** As decided: what is to be removed is gone. */
  readonly design: Design;
  readonly circuits: readonly CircuitResult[];
  /** The same circuits, beside what they were worked out from. */
  readonly worked: readonly WorkedCircuit[];
  readonly leads: readonly BatteryCableResult[];
  /** Ways of living: their needs, and the day gone through. */
  readonly needs: readonly DayNeed[];
  /** Studies and machines on the network; null: not worked out, and nothing is said of them. */
  readonly studied: { readonly studies: Omit<StudyFacts, 'design'>; readonly power: AcPower; readonly odds: readonly CircuitOdds[] } | null;
}

interface Known {
  readonly deps: readonly unknown[];
  readonly findings: readonly Finding[];
}

/** What one circuit was told, and what of it does not go by the volts before its way. */
interface KnownCircuit {
  readonly result: CircuitResult;
  readonly trial: CircuitTrial;
  readonly facts: StillFacts;
  readonly still: readonly Finding[];
  readonly findings: readonly Finding[];
}

/** Findings kept from one time to the next, set by set, and circuit by circuit. */
export interface FindingsMemory {
  readonly sets: Map<RuleSet, Known>;
  readonly circuits: Map<string, KnownCircuit>;
}
export const findingsMemory = (): FindingsMemory => ({ sets: new Map(), circuits: new Map() });

/** What was known while the parts are the same; what says the same stays the same objects. */
function kept(known: Map<RuleSet, Known>, key: RuleSet, deps: readonly unknown[], work: () => readonly Finding[]): readonly Finding[] {
  const before = known.get(key);
  if (before && sameParts(before.deps, deps)) return before.findings;
  const findings = share(before?.findings, work());
  known.set(key, { deps, findings });
  return findings;
}

function ofDesign(facts: Facts, memory: FindingsMemory): readonly Finding[] {
  const { design, circuits } = facts;
  const { feederOf, loops } = circuitOrder(design.circuits);
  return kept(memory.sets, 'design', [...partsRead(design, DESIGN_READS), circuits], () => {
    return findingsIn(RULES.design, {
      design,
      results: new Map(circuits.map((r) => [r.id, r])),
      circuitOfLoad: servingOf(design.circuits).loads,
      feederOf,
      loops,
    });
  });
}

function ofEquipment({ design }: Facts, memory: FindingsMemory): readonly Finding[] {
  return kept(memory.sets, 'equipment', partsRead(design, EQUIPMENT_READS), () => findingsIn(RULES.equipment, { design }));
}

/** Whether what rules on a circuit read is the same but for the volts before its way: the taps are made anew with all else of it. */
const stillSame = (known: KnownCircuit, { trial, result }: WorkedCircuit, { units, unfed, vapour }: StillFacts): boolean => {
  const { ladder, state } = result.own;
  const before = known.facts;
  return (
    known.trial.input.taps === trial.input.taps &&
    known.trial.protection === trial.protection &&
    before.own === ladder &&
    before.state.heat === state.heat &&
    before.state.fault === state.fault &&
    before.state.terminal === state.terminal &&
    before.units === units &&
    before.unfed === unfed &&
    before.vapour === vapour
  );
};

function ofCircuits({ design, worked }: Facts, memory: FindingsMemory): readonly (readonly Finding[])[] {
  const { feederOf, loops } = circuitOrder(design.circuits);
  const looped = new Set(loops.flatMap((l) => l.edges));
  const fed = new Set(feederOf.keys());
  const { boat } = design;
  const vapour = design.places.some((p) => p.vapour);
  const out = worked.map((w) => {
    const { result: r, trial: b } = w;
    const unfed = b.input.upstream.bank ? undefined : unfedBy(design, r.id, looped, fed);
    const known = memory.circuits.get(r.id);
    if (known?.result === r && known.facts.units === boat && known.facts.unfed === unfed && known.facts.vapour === vapour)
      return known.findings;
    const { ladder: own, state } = r.own;
    const facts = { b, own, state, units: boat, unfed, vapour };
    const still = known && stillSame(known, w, facts) ? known.still : share(known?.still, findingsIn(RULES.circuits, facts));
    // Most circuits fail no test.
    const failures = state.failing.length > 0 ? findingsIn(RULES['circuit failures'], facts) : NONE;
    const findings = share(known?.findings, [...still, ...failures, ...findingsIn(RULES['circuit volts'], facts)]);
    memory.circuits.set(r.id, { result: r, trial: b, facts, still, findings });
    return findings;
  });
  if (memory.circuits.size > worked.length) {
    const there = new Set(worked.map((w) => w.result.id));
    for (const id of memory.circuits.keys()) if (!there.has(id)) memory.circuits.delete(id);
  }
  return out;
}
const NONE: readonly Finding[] = [];

function ofCharging({ design }: Facts, memory: FindingsMemory): readonly Finding[] {
  return kept(memory.sets, 'charging', partsRead(design, CHARGING_READS), () => findingsIn(RULES.charging, design));
}

function ofLasting({ design, needs }: Facts, memory: FindingsMemory): readonly Finding[] {
  const { banks, living, plan, boat, engine } = design;
  return kept(memory.sets, 'lasting', [banks, living, plan, boat, engine, ...needs.flatMap((n) => [n.needAh, n.made])], () =>
    findingsIn(RULES.lasting, { design, needs }),
  );
}

function ofMainSide({ design, leads }: Facts, memory: FindingsMemory): readonly Finding[] {
  return kept(memory.sets, 'main side', [...partsRead(design, MAIN_SIDE_READS), leads], () =>
    findingsIn(RULES['main side'], mainSideFacts(design, leads)),
  );
}

function ofAc({ design }: Facts, memory: FindingsMemory): readonly Finding[] {
  return kept(memory.sets, 'AC', partsRead(design, AC_READS), () => [
    ...findingsIn(RULES.AC, design),
    ...findingsIn(RULES['AC runs'], acRunFacts(design)),
  ]);
}

/** The part of the table that speaks of studies and machines: it comes later than the rest, for studies take longer than an edit may. */
export const studyFindings = ({ design, studied }: Pick<Facts, 'design' | 'studied'>): readonly Finding[] =>
  studied
    ? withDepartures(design, [
        ...findingsIn(RULES.studies, { design, ...studied.studies }),
        ...findingsIn(RULES['AC machines'], { design, ...studied.power }),
        ...findingsIn(RULES.odds, { odds: studied.odds }),
      ])
    : [];

/** Every finding, worst first, with what somebody has accepted. @param memory of the last time for a neighbouring design. */
export function findingsOf(facts: Facts, memory: FindingsMemory = findingsMemory()): readonly Finding[] {
  return withDepartures(
    facts.design,
    bySeverity(
      ofDesign(facts, memory),
      ofEquipment(facts, memory),
      ...ofCircuits(facts, memory),
      ofCharging(facts, memory),
      ofLasting(facts, memory),
      ofMainSide(facts, memory),
      ofAc(facts, memory),
      studyFindings(facts),
    ),
  );
}

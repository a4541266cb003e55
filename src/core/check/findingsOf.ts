/** Every finding of a design: one function over the one table, set by set, each kept while nothing it reads has changed. */
import { AC_READS } from '../ac';
import type { CircuitResult, WorkedCircuit } from '../circuit';
import { type Design, type Finding, partsRead, share } from '../design';
import type { BatteryCableResult } from '../mainSide';
import { circuitOrder, sameParts, servingOf } from '../topology';
import { withDepartures } from './departures';
import { bySeverity } from './finding';
import { findingsIn } from './rule';
import type { AcPower } from './rules/acMachines';
import { acRunFacts } from './rules/acRuns';
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

/** Findings kept from one time to the next, set by set, and circuit by circuit. */
export interface FindingsMemory {
  readonly sets: Map<RuleSet, Known>;
  readonly circuits: Map<string, Known>;
  readonly volts: Map<string, Known>;
}
export const findingsMemory = (): FindingsMemory => ({ sets: new Map(), circuits: new Map(), volts: new Map() });

/** What was known while the parts are the same; what says the same stays the same objects. */
function kept<K>(known: Map<K, Known>, key: K, deps: readonly unknown[], work: () => readonly Finding[]): readonly Finding[] {
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

function ofCircuits({ design, worked }: Facts, memory: FindingsMemory): readonly Finding[][] {
  const { feederOf, loops } = circuitOrder(design.circuits);
  const looped = new Set(loops.flatMap((l) => l.edges));
  const fed = new Set(feederOf.keys());
  const { boat } = design;
  const vapour = design.places.some((p) => p.vapour);
  const out = worked.map(({ result: r, trial: b }) => {
    const unfed = b.input.upstream.bank ? undefined : unfedBy(design, r.id, looped, fed);
    const { ladder: own, state } = r.own;
    const facts = { b, own, state, units: boat, unfed, vapour };
    // The taps are made anew with all of the circuit but the volts before its way: most edits move those alone.
    const still = [b.input.taps, b.protection, own, state.heat, state.fault, state.terminal, boat, unfed, vapour];
    return [
      ...kept(memory.circuits, r.id, still, () => findingsIn(RULES.circuits, facts)),
      ...kept(memory.volts, r.id, [r, boat, unfed, vapour], () => [
        // Most circuits fail no test.
        ...(state.failing.length > 0 ? findingsIn(RULES['circuit failures'], facts) : []),
        ...findingsIn(RULES['circuit volts'], facts),
      ]),
    ];
  });
  if (memory.circuits.size > worked.length) {
    const there = new Set(worked.map((w) => w.result.id));
    for (const id of memory.circuits.keys())
      if (!there.has(id)) {
        memory.circuits.delete(id);
        memory.volts.delete(id);
      }
  }
  return out;
}

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

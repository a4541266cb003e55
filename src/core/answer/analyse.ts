/** Everything the program knows of a design, as one answer for programs. */
import { AMBIENT_C } from '../rules';
import { acCircuits, inverterVa, isolationSteps, placardLines, runningOf, startsBehind, statesOf } from '../ac';
import { analyse, createMemory, type Analysis, studied, workedPath, oddsMemory } from '../analysis';
import { cutList, heldBack, listsOf } from '../build';
import { settingsMatrix } from '../charging';
import { asDecided, type Design, nameOf, rowOf } from '../design';
import { dayAh, fillTimes } from '../energy';
import { withPaths } from '../mainSide';
import { bankOfLoads } from '../topology';
import { runStudy } from '../network';
import { everyFinding } from '../check';
import { circuitWorking, batteryCableWorking } from '../working';

/** AC runs as they are bought and protected. */
function acRuns(design: Design) {
  const rows = new Map(design.acCircuits.map((c) => [c.id, c]));
  const results = acCircuits(design);
  const starts = startsBehind(design, results);
  return results.map((r) => ({
    id: r.id,
    no: rows.get(r.id)?.no ?? '',
    name: rows.get(r.id)?.name ?? '',
    feeder: r.feeder,
    ratingA: r.ratingA,
    familyId: r.family.id,
    size: { school: r.conductor.school, size: r.conductor.size, legs: 1 },
    cores: r.cores,
    amps: r.amps,
    izA: r.izA,
    lengthM: r.lengthM,
    dropPct: r.dropPct,
    totalPct: r.totalPct,
    governs: r.governs,
    tests: r.rungs,
    failing: r.failing,
    faults: r.faults,
    earth: { school: r.earth.school, size: r.earth.size },
    earthLeast: { school: r.earthLeast.school, size: r.earthLeast.size },
    terminalC: r.terminalC,
    ownDropPct: r.ownDropPct,
    starts: starts.find((s) => s.id === r.id) ?? null,
  }));
}

/** The AC side: sources with what they give, every state of the switches, what may run together on each setting. */
function acSide(design: Design) {
  const running = runningOf(design);
  const placeC = (id: string | null) => rowOf(design.places, id)?.ambientC ?? AMBIENT_C;
  return {
    sources: design.acSources.map((s) => ({
      id: s.id,
      name: s.name,
      kind: s.kind,
      service: s.service,
      ratedA: s.ratedA,
      va: s.kind === 'inverter' ? inverterVa(s, placeC(s.placeId)) : s.kind === 'generator' ? 1000 * (s.generator?.kva ?? 0) : null,
    })),
    states: statesOf(design).map(({ id, name, origins }) => ({
      id,
      name,
      origins: origins.map((o) => ({
        sourceId: o.sourceId,
        panels: o.panels,
        bonds: o.bonds.map(({ at, kind }) => ({ at, kind })),
        paralleled: o.paralleled,
      })),
    })),
    together: running.map((r) => ({
      id: r.setting.id,
      name: r.setting.name,
      sourceId: r.setting.sourceId,
      sets: r.together.sets,
      more: r.together.more,
      tooLarge: r.tooLarge,
      wanted: r.wanted,
      breakers: (r.setting.limit.breakers ?? []).map((b) => ({ id: b.id, name: b.name, amps: b.amps, loadIds: [...b.members] })),
    })),
    placard: placardLines(design),
    steps: isolationSteps(design),
  };
}

/** Banks as sources, with what each has to give a day, how long it lasts without any source, and how long each source takes to fill it. */
function banksOf(design: Design, analysis: Analysis) {
  const bankOf = bankOfLoads(design);
  const house = design.banks.find((b) => b.job === 'house') ?? design.banks[0];
  const charged = withPaths(design, analysis.paths);
  return analysis.banks.map((b) => {
    const own = design.loads.filter((l) => (bankOf.get(l.id) ?? house?.id) === b.bankId);
    return {
      ...b,
      needs: design.living.map((living) => {
        const needAh = own.reduce((sum, l) => sum + dayAh(l, living), 0);
        return { livingId: living.id, name: living.name, needAh, hours: needAh > 0 ? (24 * b.usableAh) / needAh : null };
      }),
      refill: fillTimes(charged, design.engine.cruiseRpm, b.bankId),
    };
  });
}

/** The answer of POST /api/analyse. Times without end and figures that are none become null in JSON. */
export function analysisAnswer(design: Design) {
  const memory = createMemory();
  const analysis = analyse(design, memory);
  const late = studied(design, analysis, { memory, odds: oddsMemory() });
  const findings = everyFinding(analysis, late);
  const units = design.boat;
  const cuts = cutList(asDecided(design), analysis.circuits, analysis.leads, late.worst.bars);
  const held = heldBack(design, cuts, findings);
  return {
    ...analysis,
    banks: banksOf(design, analysis),
    findings: findings.map((f) => ({ ...f, aboutName: nameOf(design, f.about) })),
    circuits: analysis.circuits.map((c) => ({
      ...c,
      findings: findings.filter((f) => f.id.endsWith(`:${c.id}`)),
      odds: late.odds[c.id] ?? null,
      working: circuitWorking(workedPath(memory, c.id), units, late.odds[c.id]),
    })),
    leads: analysis.leads.map((l, i) => ({
      ...l,
      name: design.leads[i]?.name ?? '',
      working: batteryCableWorking(design, analysis, l.id, units) ?? null,
    })),
    acCircuits: acRuns(design),
    ac: acSide(design),
    studies: design.studies.map((s) => {
      const { nodes: _, ...answer } = runStudy(design, analysis, s);
      return { id: s.id, name: s.name, ...answer };
    }),
    worst: { loads: late.worst.loads, leads: late.worst.leads, cases: late.worst.cases, bars: late.worst.bars },
    power: late.power,
    settings: settingsMatrix(design).map((r) => ({ sourceId: r.source.id, bankId: r.bank.id, worst: r.worst, settings: r.settings })),
    cutList: cuts,
    notToBeBuilt: {
      stops: held.stops.map((f) => f.id),
      against: Object.fromEntries([...held.against].map(([id, stops]) => [id, stops.map((f) => f.id)])),
      mayBeCut: held.free.map((c) => c.label),
    },
    lists: listsOf(design, analysis.circuits),
  };
}

export type AnalysisAnswer = ReturnType<typeof analysisAnswer>;

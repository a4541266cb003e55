/** The figures of a boat that a change of layout or words must not move: sizes, ratings, devices, drops, faults, hours, lists; findings by id. */
import { analyse, createMemory, cutList, listsOf } from '@/core';
import { acCircuits, runningOf } from '@/core/ac';
import { asDecided, type Design } from '@/core/design';
import { cruise } from '@/core/energy';
import { withPaths } from '@/core/mainSide';
import { oddsMemory, studied } from '@/core/analysis';
import { everyFinding } from '@/core/check';

export type Figures = Readonly<Record<string, unknown>>;

export function figuresOf(design: Design): Figures {
  const memory = createMemory();
  const a = analyse(design, memory);
  const late = studied(design, a, { memory, odds: oddsMemory() });
  const { worst } = late;
  const run = cruise(withPaths(design, a.paths));
  const list = cutList(asDecided(design), a.circuits, a.leads, worst.bars);
  const lists = listsOf(design, a.circuits);
  const findings = everyFinding(a, late);
  return {
    loads: a.loads.map((l) => [l.id, l.circuitId, l.current.workingA, l.current.surgeA]),
    circuits: a.circuits.map(({ id, own, workingA, surgeA, lengthM, taps }) => ({
      id,
      amps: [workingA, surgeA, lengthM, ...taps.map((t) => t.segmentA)],
      size: [own.ladder.chosen, own.ladder.proposed, own.ladder.governs, own.state.failing, own.ladder.rungs.map((r) => r.smallest)],
      device: [own.protection.familyId, own.protection.ratingA, own.protection.faultA, own.protection.refused.length],
      drop: own.state.drop.taps.map((t) => [t.dropV, t.pct, t.limitPct]),
      surge: own.state.surge && [own.state.surge.sagV, own.state.surge.loadV],
      heat: [own.state.heat.izA, own.state.heat.tempC, own.state.terminal.tempC],
      fault: own.state.fault && [own.state.fault.sendingA, own.state.fault.farA, own.state.fault.farBearsS],
    })),
    leads: a.leads.map((l) => [
      l.id,
      l.conductor.size,
      l.carries.amps,
      l.lengthM,
      l.izA,
      l.dropV,
      l.governs,
      l.failing,
      l.device && [l.device.own.protection.familyId, l.device.own.protection.ratingA],
    ]),
    ac: acCircuits(design).map((c) => [c.id, c.conductor.size, c.ratingA, c.family.id, c.amps, c.izA, c.dropPct, c.totalPct, c.governs]),
    together: runningOf(design).map((r) => [r.setting.name, r.together.sets.length, r.wanted.va, r.wanted.roomVa]),
    banks: a.banks.map((b) => [b.bankId, b.usableAh, b.ohm, b.largestFaultA, b.postsFaultA]),
    paths: a.paths,
    balance: a.balance,
    studies: worst.loads.map((l) => [l.id, l.study, l.volts, l.amps, l.wants]),
    cases: worst.cases.map((c) => [c.leadId, c.amps, c.verdict]),
    cruise: { banks: run.banks, hours: run.days.map((d) => d.reaches), made: run.days.map((d) => d.bySource), warnings: run.warnings },
    cut: { reels: list.reels, terminals: list.terminals, shrink: list.shrink, protection: list.protection, labels: list.labels.length },
    lists: {
      positions: lists.positions.map((p) => [p.id, p.live.length, p.standingA, p.days]),
      panels: lists.panels.length,
      routes: lists.routes.length,
    },
    findings: findings.map((f) => `${f.severity} ${f.id}`).sort(),
  };
}

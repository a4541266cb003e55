/** Rules on AC runs: conductor and breaker, faults to earth, what the cable is and what colour. */
import type { AcParts } from '../../ac';
import {
  type AcCircuitResult,
  acCircuits,
  type BreakerLimit,
  chainsTo,
  consumerOf,
  continuousPart,
  fits,
  opens,
  INTERRUPTS,
  INTERRUPTS_AT_LEAST,
  sourceOhm,
} from '../../ac';
import { type AcCircuit, type AcLoad, addOp, type Design, type Finding, type Op, setOp, rowOf, dropOp } from '../../design';
import { round3, sizeName } from '../../quantity';
import { DROP_PCT, TOTAL_DROP_PCT } from '../../rules';
import { type Rule, type Said, SOURCES, when } from '../rule';
import { type AcRow, type AcRule, set } from './acParts';

/** A run with what was worked out for it. */
interface Run {
  readonly c: AcCircuit;
  readonly r: AcCircuitResult;
  readonly design: AcParts;
}

/** A rule asked of every run's result. */
const run = (row: AcRow, told: (run: Run) => readonly Said[]): Rule<AcRunFacts> => ({
  source: SOURCES.ac,
  ...row,
  about: 'AC circuit',
  find: ({ design, results }) =>
    design.acCircuits.flatMap((c, i) => {
      const r = results[i];
      return r ? told({ c, r, design }).map((t) => ({ ...t, id: c.id })) : [];
    }),
});

export interface AcRunFacts {
  readonly design: AcParts;
  /** By their order in the design. */
  readonly results: readonly AcCircuitResult[];
}

export const acRunFacts = (design: AcParts): AcRunFacts => ({ design, results: acCircuits(design) });

const unsize: AcRule['cure'] = set('acCircuits', ['size'], null);
/** Its own size and those of all feeders before it chosen afresh, together. */
const unsizeWay: AcRule['cure'] = (design, { about }) => {
  const c = rowOf(design.acCircuits, about.id);
  const way = c ? [...new Set(chainsTo(design, c).flatMap((x) => x.circuits))] : [];
  const pinned = way.filter((x) => x.size !== null);
  return pinned.length > 0 ? pinned.map((x) => setOp(design, ['acCircuits', x.id, 'size'], null)) : null;
};
const sizeOf = ({ r }: Run): string => sizeName(r.conductor.school, r.conductor.size);
const wantsOf = ({ r }: Run): string => sizeName(r.proposed.school, r.proposed.size);

/** Largest short its breaker may have to open, A. */
function askedA({ c, r, design }: Run): number {
  const least = INTERRUPTS_AT_LEAST[design.boat.acRegion];
  return Math.max(...chainsTo(design, c).map(({ source }) => r.volts / sourceOhm(source)), r.feeder ? least.main : least.branch);
}

const rowsAt = (c: AcCircuit, design: AcParts): readonly AcLoad[] => design.acLoads.filter((l) => c.loadIds.includes(l.id));

/** A branch's own breaker as a limit. */
function branchOf(c: AcCircuit, r: AcCircuitResult, design: AcParts): { readonly breakers: readonly BreakerLimit[] } {
  const part = continuousPart(design.acRules, design.boat.ruleSet);
  return { breakers: [{ id: c.id, name: c.name, amps: r.ratingA, continuousPart: part, members: new Set(c.loadIds) }] };
}

/** The largest first, each on the first branch whose breaker bears it; what does not fit on this one goes to new ones like it. */
function regroup(design: Design, { about }: Finding): readonly (Op | undefined)[] | null {
  const c = rowOf(design.acCircuits, about.id);
  const r = acCircuits(design).find((x) => x.id === about.id);
  if (!c || !r) return null;
  const { breakers } = branchOf(c, r, design);
  const limit = { legs: r.legs, volts: r.volts, amps: Infinity, continuousPart: 1, kw: null, kva: null, breakers };
  const consumers = rowsAt(c, design)
    .map((l) => ({ ...consumerOf(design, l, r.legs), notWith: null }))
    .sort((a, b) => b.watts - a.watts);
  const groups: (typeof consumers)[] = [];
  for (const l of consumers) {
    const open = groups.find((g) => fits([...g, l], limit));
    if (open) open.push(l);
    else groups.push([l]);
  }
  if (groups.length < 2) return null;
  const ids = (g: typeof consumers) => c.loadIds.filter((id) => g.some((l) => l.id === id));
  const taken = new Set(design.acCircuits.map((x) => x.id));
  const last = design.acCircuits.reduce((most, x) => Math.max(most, Number.parseInt(x.no.replace(/^\D+/, ''), 10) || 0), 0);
  const more = groups.slice(1).map((g, i): AcCircuit => {
    let id = `${c.id}-${i + 2}`;
    while (taken.has(id)) id += 'x';
    return { ...c, id, no: `A${last + i + 1}`, name: `${c.name} ${i + 2}`, loadIds: ids(g) };
  });
  return [setOp(design, ['acCircuits', c.id, 'loadIds'], ids(groups[0] ?? [])), ...more.map((x) => addOp(design, 'acCircuits', x))];
}

export const AC_RUN_RULES: readonly Rule<AcRunFacts>[] = [
  run(
    {
      id: 'ac-from-nothing',
      severity: 'fix',
      reads: ['acCircuits.from', 'acCircuits.to', 'acSources'],
      when: 'nothing leads to where a run begins',
      why: 'Nothing leads to where it begins.',
      todo: 'Correct where it begins, or feed that panel.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
    },
    ({ c, design }) => when(chainsTo(design, c).length === 0, () => ({ title: 'comes from no source' })),
  ),
  run(
    {
      id: 'ac-to-nothing',
      severity: 'fix',
      reads: ['acCircuits.to'],
      when: 'a run ends on something that was removed',
      why: 'What it fed is gone.',
      todo: 'Choose where it ends, or remove it.',
      hazard: 'shock',
      confirm: 'eyes',
      source: SOURCES.data,
      cure: set('acCircuits', ['to'], null),
    },
    ({ c, design }) =>
      when(c.to !== null && !(c.to.kind === 'panel' ? design.acPanels : design.acSources).some((x) => x.id === c.to?.id), () => ({
        title: 'leads to nothing',
      })),
  ),
  run(
    {
      id: 'ac-serves-nothing',
      severity: 'note',
      reads: ['acCircuits.loadIds', 'acCircuits.outlets'],
      when: 'a branch serves no appliance and no outlet',
      why: 'No appliance and no outlet is on it.',
      todo: 'Name what it serves, or remove it.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: (design, { about }) => [dropOp(design, 'acCircuits', about.id)],
    },
    ({ c }) => when(c.to === null && c.loadIds.length === 0 && c.outlets === 0, () => ({ title: 'serves nothing' })),
  ),
  run(
    {
      id: 'ac-thin',
      severity: 'stop',
      reads: ['acCircuits.size', 'acCircuits.ratingA', 'places'],
      when: 'the conductor carries less than its breaker lets through',
      why: 'It burns before the breaker opens.',
      todo: 'A heavier cable, or a smaller breaker.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: unsize,
    },
    (x) =>
      when(x.r.failing.includes('ampacity'), () => ({
        title: `${sizeOf(x)} carries ${round3(x.r.izA)} A behind a breaker of ${round3(x.r.ratingA)} A`,
        why: `${x.r.derating.refusal ?? 'Heat and bundling are counted'}: it burns before the breaker opens.`,
        todo: `${wantsOf(x)}, or a smaller breaker.`,
      })),
  ),
  run(
    {
      id: 'ac-behind-breaker',
      severity: 'fix',
      reads: ['acCircuits.size', 'acCircuits.ratingA'],
      when: 'a cable is thinner than is customary behind its breaker, though its insulation would bear the current',
      why: 'Its terminals are good for less heat than its insulation: they loosen and burn.',
      todo: 'A heavier cable, or a smaller breaker.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: unsize,
    },
    (x) =>
      when(x.r.failing.includes('breaker') && !x.r.failing.includes('ampacity'), () => ({
        title: `${sizeOf(x)} behind a breaker of ${round3(x.r.ratingA)} A`,
        todo: `${wantsOf(x)}, or a smaller breaker.`,
      })),
  ),
  run(
    {
      id: 'ac-earth-thin',
      severity: 'stop',
      reads: ['acCircuits.earthSize', 'acCircuits.size', 'acCircuits.ratingA', 'boat.ruleSet'],
      when: 'a run’s protective earth is less than its school asks for behind the breaker',
      why: 'A fault burns it off before the breaker opens: every case behind it is live.',
      todo: 'An earth of the size wanted, or a cable with all cores alike.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: set('acCircuits', ['earthSize'], null),
    },
    ({ r }) =>
      when(r.earth.areaMm2 < r.earthLeast.areaMm2 - 1e-9, () => ({
        title: `its earth is ${sizeName(r.earth.school, r.earth.size)} behind ${round3(r.ratingA)} A`,
        todo: `${sizeName(r.earthLeast.school, r.earthLeast.size)} or heavier, or a cable with all cores alike.`,
      })),
  ),
  run(
    {
      id: 'ac-drop',
      severity: 'fix',
      reads: ['acCircuits.lengthM', 'acCircuits.size', 'acLoads'],
      when: `feeder and branch lose more than ${DROP_PCT} %`,
      why: `${DROP_PCT} % aboard is the most: motors start badly and run hot.`,
      todo: 'A heavier cable, or a shorter run.',
      hazard: 'none',
      confirm: 'a meter',
      cure: unsizeWay,
    },
    (x) =>
      when(x.r.failing.includes('drop'), () => {
        const feeder = x.r.dropPct - x.r.ownDropPct;
        return {
          title: `feeder and branch lose ${round3(x.r.dropPct)} %`,
          todo:
            feeder > x.r.ownDropPct && !x.r.feeder
              ? `A heavier feeder first: it loses ${round3(feeder)} % of it; or a shorter run.`
              : `${wantsOf(x)}, or a shorter run.`,
        };
      }),
  ),
  run(
    {
      id: 'ac-together',
      severity: 'fix',
      reads: ['acCircuits.loadIds', 'acCircuits.ratingA', 'acLoads', 'acRules.wanted'],
      when: 'what is on a branch opens its breaker when all of it runs; to be settled where that is wanted together',
      why: 'The breaker opens, again and again, in the middle of a meal.',
      todo: 'Put some of it on a branch of its own, or tell the owner: one at a time.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.practice,
      cure: regroup,
    },
    ({ c, r, design }) => {
      if (c.to !== null) return [];
      const { breakers } = branchOf(c, r, design);
      const rows = rowsAt(c, design).map((l) => consumerOf(design, l, r.legs));
      const limit = { legs: r.legs, volts: r.volts, amps: Infinity, continuousPart: 1, kw: null, kva: null, breakers };
      const wanted = rows.filter((l) => design.acRules.wanted.includes(l.id));
      const asked = opens(wanted, limit).length > 0;
      // Of those that exclude one another the largest stands for all.
      const most = rows.filter((l) => l.notWith === null || rows.every((x) => x.notWith !== l.notWith || x.watts <= l.watts));
      return when(asked || opens(most, limit).length > 0, () => {
        const those = asked ? wanted : most;
        const names = those.map((l) => rowOf(design.acLoads, l.id)?.name ?? l.id);
        const amps = those.reduce((sum, l) => sum + l.watts / l.powerFactor, 0) / r.spanV;
        return {
          severity: asked ? 'fix' : 'note',
          title: `${names.join(', ')} together take ${round3(amps)} A; ${r.ratingA} A opens`,
        };
      });
    },
  ),
  run(
    {
      id: 'ac-drop-total',
      severity: 'fix',
      reads: ['acSources.shore', 'acCircuits'],
      when: `from the pedestal on more than ${TOTAL_DROP_PCT} % is lost`,
      why: `${TOTAL_DROP_PCT} % is the most, cord included.`,
      todo: 'A heavier or shorter shore cord first.',
      hazard: 'none',
      confirm: 'a meter',
    },
    ({ r }) =>
      when(!r.failing.includes('drop') && r.totalPct > TOTAL_DROP_PCT + 1e-9, () => ({
        title: `from the pedestal on ${round3(r.totalPct)} % is lost`,
      })),
  ),
  run(
    {
      id: 'ac-slight',
      severity: 'fix',
      reads: ['acCircuits.size'],
      when: 'the conductor is thinner than a three-core boat cable may be',
      why: 'It breaks before it burns.',
      todo: 'The least size of the school.',
      hazard: 'none',
      confirm: 'eyes',
      cure: unsize,
    },
    (x) =>
      when(x.r.failing.includes('mechanical'), () => ({
        title: `${sizeOf(x)} is thinner than a three-core cable may be`,
        todo: `${wantsOf(x)}.`,
      })),
  ),
  run(
    {
      id: 'ac-small-breaker',
      severity: 'fix',
      reads: ['acCircuits.ratingA', 'acLoads'],
      when: 'a breaker is rated below what it serves',
      why: 'It opens with everything on.',
      todo: 'A larger breaker and what cable that asks for, or a second circuit.',
      hazard: 'none',
      confirm: 'nothing',
      cure: set('acCircuits', ['ratingA'], null),
    },
    ({ c, r }) =>
      when(c.to === null && c.ratingA !== null && r.amps > c.ratingA + 1e-9 && c.outlets === 0, () => ({
        title: `its breaker of ${round3(c.ratingA ?? 0)} A is below the ${round3(r.amps)} A it serves`,
      })),
  ),
  run(
    {
      id: 'ac-interrupts',
      severity: 'stop',
      reads: ['acCircuits.family', 'acSources', 'boat.acRegion'],
      when: 'a breaker interrupts less than the short it may have to open',
      why: 'Beyond that it welds shut or bursts.',
      todo: 'A breaker made for it, or a fuse before it.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: (design, { about }) => {
        const c = rowOf(design.acCircuits, about.id);
        return c?.family != null ? [setOp(design, ['acCircuits', c.id, 'family'], null)] : null;
      },
    },
    (x) => {
      const interrupts = INTERRUPTS[x.r.family.id] ?? 0;
      return when(interrupts < askedA(x) - 1e-9, () => ({
        title: `its breaker interrupts ${round3(interrupts)} A of ${round3(askedA(x))} A`,
      }));
    },
  ),
  run(
    {
      id: 'ac-fault',
      severity: 'stop',
      reads: ['acCircuits.leakageMa', 'acCircuits.lengthM', 'acSources'],
      when: 'a live case is cut neither by the breaker in time nor by a residual-current device',
      why: 'A fault to earth leaves the case live.',
      todo: 'A residual-current device after the bond of that source: 30 mA on its feeder or on this circuit.',
      hazard: 'shock',
      confirm: 'a meter',
      cure: set('acCircuits', ['leakageMa'], 30),
    },
    ({ r, design }) =>
      r.faults
        .filter((f) => f.cutBy === 'nothing')
        .map((f) => {
          const source = rowOf(design.acSources, f.sourceId)?.name ?? '';
          const opens = Number.isFinite(f.opensS) ? `its breaker takes ${round3(f.opensS)} s` : 'its breaker may never open';
          return {
            suffix: ` ${f.sourceId}`,
            title: `a live case is not cut in time on ${source}`,
            why:
              f.amps > 0
                ? `A fault to earth draws ${round3(f.amps)} A through ${round3(f.loopOhm)} Ω: ${opens}, ${f.withinS} s is the most.`
                : `${source} is entered as giving nothing: no fault draws enough to open its breaker.`,
          };
        }),
  ),
  run(
    {
      id: 'ac-wet-outlets',
      severity: 'fix',
      reads: ['acCircuits.outletsWet', 'acCircuits.leakageMa', 'boat.ruleSet'],
      when: 'outlets in a wet place have no personal protection of their own',
      why: 'Galley, heads, machinery and deck outlets want personal protection.',
      todo: 'A residual-current device on this circuit.',
      hazard: 'shock',
      confirm: 'a meter',
      cure: (design, finding) => set('acCircuits', ['leakageMa'], design.boat.ruleSet === 'awg' ? 5 : 10)(design, finding),
    },
    ({ c, design }) => {
      const awg = design.boat.ruleSet === 'awg';
      return when(c.outletsWet && c.leakageMa === null, () => ({
        severity: awg ? 'fix' : 'note',
        title: 'outlets in a wet place have no personal protection',
        why: awg
          ? 'Galley, heads, machinery and deck outlets want 5 mA.'
          : 'The 30 mA main protects them; 10 mA of their own is the better choice.',
        todo: `Leakage of ${awg ? 5 : 10} mA on this circuit.`,
      }));
    },
  ),
  run(
    {
      id: 'ac-poles',
      severity: 'fix',
      reads: ['acCircuits.poles', 'boat.ruleSet'],
      when: 'a breaker of the metric school opens the live alone',
      why: 'Plugs of this school fit either way round: what is switched off may be live.',
      todo: 'A double-pole breaker.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: set('acCircuits', ['poles'], 2),
    },
    ({ c, design }) => when(c.poles < 2 && design.boat.ruleSet === 'metric', () => ({ title: 'opens the live alone' })),
  ),
];

/** Tests of the ladder that a chosen conductor does not pass. */
import { type CriterionId } from '../../circuit';
import { type Severity } from '../../design';
import { choiceName, show, sizeName } from '../../quantity';
import { type Hazard, SOURCES, when } from '../rule';
import { type CircuitFacts, type CircuitRule, idOf, release, serves, unpin } from './circuitFacts';

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

export const tapName = ({ b }: CircuitFacts, i: number): string => b.input.taps[i]?.name ?? '';

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
    when(f.state.failing.includes(id) && serves(f) && !(id === 'ampacity' && f.state.heat.derating.refusal !== null), () => ({
      id: idOf(f),
      title: `${choiceName(f.own.chosen)}${f.own.pinned ? ', pinned,' : f.own.kept ? ', as found,' : ''} fails ${name}`,
      why: `${figures(f)}${why}`.trim(),
      todo: instead(f, id),
      // A device nobody could choose right spoils both.
      ...((id === 'protection' || id === 'fault') && f.b.protection.conflict !== null ? { cause: `protection-conflict:${idOf(f)}` } : {}),
    })),
  cure: id === 'fault' ? release : unpin,
});

export const FAILED_RULES: readonly CircuitRule[] = FAILURES.map(failed);

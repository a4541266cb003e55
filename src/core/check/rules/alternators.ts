/** Rules on alternators: curve, fit, load dump, regulator. */
import { fitLines, pulleyRatio } from '../../charging';
import { rowOf, setOp, type Source } from '../../design';
import { SOURCES, when } from '../rule';
import { type ChargingRule, regulate, source } from './chargingRule';

/** A rating and a curve may differ by so much: ours. */
const APART = 0.1;

/** The most of its label’s curve, A; 0 without one. */
const mostOf = (a: Source['alternator']): number => Math.max(0, ...(a?.curve ?? []).map((p) => p.amps));

const FIT_IDS = ['petrol-engine-space'] as const;

export const ALTERNATOR_RULES: readonly ChargingRule[] = [
  source(
    {
      id: 'curve',
      severity: 'fix',
      reads: ['sources.alternator.curve'],
      when: 'an alternator’s curve has fewer than three points',
      why: 'Between so few points the output is a guess.',
      todo: 'Enter at least three from its maker: rpm and amps.',
      hazard: 'none',
      confirm: 'a meter',
    },
    (s) => {
      const n = s.alternator?.curve.length ?? 3;
      return when(s.kind === 'alternator' && s.alternator !== null && n < 3, () => ({
        severity: n === 0 ? 'fix' : 'note',
        title: `its curve has ${n} point${n === 1 ? '' : 's'}`,
        why: n === 0 ? 'Nothing is known of what it gives.' : 'Between so few points the output is a guess.',
      }));
    },
  ),
  source(
    {
      id: 'curve-rated',
      severity: 'fix',
      reads: ['sources.ratedA', 'sources.alternator.curve'],
      when: `an alternator’s rating and the most of its curve differ by more than ${100 * APART} %`,
      why: 'Cables and fuses go by the one, the day by the other: one of them is another machine’s.',
      todo: 'Read its plate and its maker’s curve again.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: (design, { about }) => {
        const most = mostOf(rowOf(design.sources, about.id)?.alternator ?? null);
        // The larger sizes its cables: a smaller one is for a person to enter.
        return most > (rowOf(design.sources, about.id)?.ratedA ?? Infinity) ? [setOp(design, ['sources', about.id, 'ratedA'], most)] : null;
      },
    },
    (s) => {
      const most = mostOf(s.alternator);
      return when(s.kind === 'alternator' && most > 0 && Math.abs(most - s.ratedA) > APART * s.ratedA, () => ({
        title: `is entered as ${s.ratedA} A, and its curve reaches ${most} A`,
      }));
    },
  ),
  source(
    {
      id: 'fit',
      severity: 'stop',
      reads: ['sources.alternator.fit', 'engine.fit', 'engine.fuel'],
      when: 'an alternator does not fit its engine: mounting, pulley, rotation, speed, or petrol vapour',
      why: 'If it does not match, the job stops on the day.',
      todo: 'Choose another, or the parts that make it fit.',
      hazard: 'explosion',
      confirm: 'eyes',
      cure: (design, { about, id }) =>
        FIT_IDS.some((x) => id.startsWith(`fit-${x}`))
          ? [setOp(design, ['sources', about.id, 'alternator', 'ignitionProtected'], true)]
          : null,
    },
    (s, design) => {
      const { alternator } = s;
      if (s.kind !== 'alternator' || !alternator) return [];
      const top = design.engine.maxRpm * pulleyRatio(alternator);
      return fitLines(design, s).flatMap((line) =>
        when(line.verdict === 'does not fit', () => ({
          suffix: `-${line.what.replaceAll(/[^a-z]+/g, '-')}`,
          severity: line.what === 'petrol engine space' ? 'stop' : 'fix',
          title: `${line.what}: ${line.engine} on the engine, ${line.alternator} on the alternator`,
          ...(line.what.startsWith('highest') ? { why: `It would turn ${Math.round(top)} rpm.` } : {}),
        })),
      );
    },
  ),
  source(
    {
      id: 'dump-selector',
      severity: 'fix',
      reads: ['joins.fieldDisconnect', 'sources.alternator.suppressor', 'sources.joinId'],
      when: 'a selector without a field disconnect may open an alternator without a suppressor',
      why: 'Through OFF the alternator loses its load: diodes and electronics are destroyed.',
      todo: 'A field disconnect on the switch, a suppressor at the alternator, and the caution on the switch.',
      hazard: 'damage',
      confirm: 'eyes',
      source: SOURCES.practice,
      cure: (design, { about }) => [setOp(design, ['sources', about.id, 'alternator', 'suppressor'], true)],
    },
    (s, design) => {
      const selector = design.joins.find((j) => j.id === s.joinId && j.kind === 'selector');
      return when(
        s.kind === 'alternator' && s.alternator !== null && selector !== undefined && !selector.fieldDisconnect && !s.alternator.suppressor,
        () => ({ title: `${selector?.name ?? ''} can open its circuit with the engine running` }),
      );
    },
  ),
  source(
    {
      id: 'one-wire-splitter',
      severity: 'fix',
      reads: ['sources.alternator.excitation', 'sources.joinId', 'joins.kind'],
      when: 'a one-wire alternator charges through a splitter',
      why: 'It wakes by what it sees of the battery, and behind diodes it sees nothing: it may never begin to charge, and regulates on its own post.',
      todo: 'A splitter with an excite post led to it, an alternator with a sense lead, or its output straight to the house bank and a relay or DC–DC to the other.',
      hazard: 'stranded',
      confirm: 'a meter',
      cure: (design, { about }) => [setOp(design, ['sources', about.id, 'joinId'], null)],
    },
    (s, design) =>
      when(s.alternator?.excitation === 'one-wire' && rowOf(design.joins, s.joinId)?.kind === 'splitter', () => ({
        title: `is one-wire behind ${rowOf(design.joins, s.joinId)?.name ?? 'a splitter'}`,
      })),
  ),
  source(
    {
      id: 'external-fixed',
      severity: 'note',
      reads: ['sources.alternator.excitation', 'sources.regulator.staged'],
      when: 'an externally regulated alternator is entered with one voltage',
      why: 'Its regulator could do stages.',
      todo: 'Enter its stages as programmed.',
      hazard: 'none',
      confirm: 'eyes',
      cure: regulate(() => ({ staged: true })),
    },
    (s) =>
      when(s.kind === 'alternator' && s.alternator?.excitation === 'external' && !s.regulator.staged, () => ({
        title: 'externally regulated with one fixed voltage',
      })),
  ),
];

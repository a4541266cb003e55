/** Rules on shore power: inlet, cord, main breaker, isolation. */
import type { AcParts } from '../../ac';
import { cordPct } from '../../ac';
import { ampacityA, derate } from '../../conductor';
import { type AcSource, type Design, rowOf, setOp } from '../../design';
import { findConductor, DROP_PCT, TOTAL_DROP_PCT, CONDUCTORS } from '../../rules';
import { when } from '../rule';
import { AC_LAW, type AcRule, acRun, acSource, set } from './acParts';

const isAwg = (design: AcParts): boolean => design.boat.ruleSet === 'awg';

/** Amps a shore cord carries as cords are used: two loaded cores, 40 degC, 75 degC insulation. */
function cordA(s: AcSource): number | null {
  const cord = s.shore && findConductor(s.shore.cordSize.school, s.shore.cordSize.size);
  return cord
    ? ampacityA(
        cord,
        derate(cord.school, { insulationC: 75, bundled: 2, enclosure: 'open' }, { ambientC: 40, engineSpace: false, wet: false }),
      )
    : null;
}

/** Most from an inlet to its main, along the conductors, m. */
export const breakerWithinM = (design: AcParts, s: AcSource): number =>
  design.acRules.breakerWithinM ?? (isAwg(design) ? 3.05 : s.shore?.sheathed ? 3 : 0.5);

const fromShore = (design: AcParts, from: Design['acCircuits'][number]['from']): boolean =>
  from.kind === 'source' && design.acSources.some((s) => s.id === from.id && s.shore !== null);

export const AC_SHORE_RULES: readonly AcRule[] = [
  acSource(
    {
      id: 'ac-breaker-far',
      severity: 'fix',
      reads: ['acSources.shore.breakerAtM', 'acSources.shore.sheathed', 'acRules.breakerWithinM', 'boat.ruleSet'],
      when: 'the main breaker is too far along the conductors from the inlet',
      why: 'Up to it the conductors are protected by the pedestal alone, if at all.',
      todo: 'Move the breaker, or put one by the inlet.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: set('acSources', ['shore', 'breakerAtM'], 0.4),
    },
    (s, d) => {
      const within = breakerWithinM(d, s);
      return when(s.shore !== null && s.shore.breakerAtM > within + 1e-9, () => ({
        title: `the main breaker is ${s.shore?.breakerAtM ?? 0} m from the inlet`,
        why: `Up to it the conductors are protected by the pedestal alone, if at all; ${within} m along them is the most (${isAwg(d) ? 'awg school' : `metric school, ${s.shore?.sheathed ? 'sheathed' : 'unsheathed'}`}).`,
      }));
    },
  ),
  acSource(
    {
      id: 'ac-no-isolation',
      severity: 'fix',
      reads: ['acSources.shore.isolation'],
      when: 'the earth from ashore comes aboard without an isolator or transformer',
      why: 'The boat’s metal is then one battery with every other on the pontoon, and stray current has a path through it.',
      todo: 'Fit a galvanic isolator with its test, or an isolation transformer.',
      hazard: 'stray current',
      confirm: 'eyes',
      cure: set('acSources', ['shore', 'isolation'], 'galvanic isolator'),
    },
    (s) => when(s.shore?.isolation === 'none', () => ({ title: 'has its earth straight from ashore' })),
  ),
  acSource(
    {
      id: 'ac-cord-thin',
      severity: 'stop',
      reads: ['acSources.shore.cordSize', 'acSources.ratedA'],
      when: 'the shore cord carries less than the inlet is rated for',
      why: 'It overheats long before anything opens, most of all coiled on a reel.',
      todo: 'A heavier cord, or an inlet and breaker of less.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: (design, { about }) => {
        const s = rowOf(design.acSources, about.id);
        const shore = s?.shore;
        const size =
          s && shore
            ? CONDUCTORS[shore.cordSize.school].find(
                (c) => (cordA({ ...s, shore: { ...shore, cordSize: { school: c.school, size: c.size } } }) ?? 0) >= s.ratedA,
              )
            : undefined;
        return size ? [setOp(design, ['acSources', about.id, 'shore', 'cordSize'], { school: size.school, size: size.size })] : null;
      },
    },
    (s) => {
      const iz = cordA(s);
      return when(iz !== null && iz < s.ratedA - 1e-9, () => ({
        title: `the shore cord carries ${Math.floor(iz ?? 0)} A, the inlet ${s.ratedA} A`,
      }));
    },
  ),
  acSource(
    {
      id: 'ac-cord-long',
      severity: 'note',
      reads: ['acSources.shore.cordM', 'acSources.shore.cordSize'],
      when: 'the shore cord takes more of the volts than feeder and branch leave it',
      why: `${TOTAL_DROP_PCT} % from the pedestal on is the most; feeder and branch want 3 of them.`,
      todo: 'A shorter or heavier cord.',
      hazard: 'none',
      confirm: 'a meter',
    },
    (s) =>
      when(cordA(s) !== null && cordPct(s, s.ratedA) > TOTAL_DROP_PCT - DROP_PCT + 1e-9, () => ({
        title: `the shore cord loses ${cordPct(s, s.ratedA).toFixed(1)} % at ${s.ratedA} A`,
      })),
  ),
  acRun(
    {
      id: 'ac-no-leakage',
      severity: 'stop',
      reads: ['acCircuits.leakageMa', 'acSources.kind'],
      when: 'the run from a shore inlet has no leakage trip',
      why: 'A fault into the water or through a person draws too little for any breaker: it kills swimmers beside the boat.',
      todo: `A double-pole main with a 30 mA leakage trip. ${AC_LAW}`,
      hazard: 'shock',
      confirm: 'a meter',
      cure: set('acCircuits', ['leakageMa'], 30),
    },
    (c, d) =>
      when(fromShore(d, c.from) && c.leakageMa === null, () => ({
        title: 'the main has no leakage trip',
        todo: `A double-pole main with a 30 mA${isAwg(d) ? ', 100 ms' : ''} leakage trip. ${AC_LAW}`,
      })),
  ),
  acRun(
    {
      id: 'ac-main-poles',
      severity: 'stop',
      reads: ['acCircuits.poles', 'acSources.kind'],
      when: 'the main of a shore inlet opens one pole',
      why: 'With live and neutral changed over ashore the boat stays live with its main off.',
      todo: 'A double-pole main.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: set('acCircuits', ['poles'], 2),
    },
    (c, d) => when(fromShore(d, c.from) && c.poles < 2, () => ({ title: 'the main opens one pole' })),
  ),
];

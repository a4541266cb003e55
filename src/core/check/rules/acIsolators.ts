/** Rules on galvanic isolators and isolation transformers as things: where they are, what they bear, the earth through them. */
import { earthRun } from '../../ac';
import { type AcSource, rowOf, setOp } from '../../design';
import { round3, sizeName } from '../../quantity';
import { nearestPlaces } from '../../topology';
import { when } from '../rule';
import { AC_LAW, type AcRule, acSource } from './acParts';
import { sound } from './elsewhere';

const nameOf = (s: AcSource): string => (s.shore?.isolation === 'none' ? '' : (s.shore?.isolation ?? ''));
const isThere = (s: AcSource): boolean => nameOf(s) !== '';

export const AC_ISOLATOR_RULES: readonly AcRule[] = [
  acSource(
    {
      id: 'ac-isolator-unknown',
      severity: 'note',
      reads: ['acSources.shore.isolation', 'acSources.shore.isolator'],
      when: 'of a galvanic isolator or a transformer neither place nor rating nor earth is entered',
      why: 'Whether a fault’s current burns it, and whether its place is dry, is not tested.',
      todo: 'Enter where it is, what it bears for good, and the earth through it: AC, sources.',
      hazard: 'shock',
      confirm: 'eyes',
    },
    (s) => when(isThere(s) && s.shore?.isolator == null, () => ({ title: `of its ${nameOf(s)} only the word is entered` })),
  ),
  acSource(
    {
      id: 'ac-isolator-place',
      severity: 'fix',
      reads: ['acSources.shore.isolator.placeId', 'places'],
      when: 'a galvanic isolator or a transformer has no place, or a wet, dripping or petrol vapour one',
      why: 'Its case is at mains earth and it gets hot in a fault: wet it corrodes open, and then everything behind it is without an earth.',
      todo: 'A dry, aired place near the inlet, on something that does not burn.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: (design, { about }) => {
        const s = rowOf(design.acSources, about.id);
        const [to] = nearestPlaces(design, s?.shore?.isolator?.placeId ?? s?.placeId, sound);
        return s?.shore?.isolator && to ? [setOp(design, ['acSources', s.id, 'shore', 'isolator', 'placeId'], to.id)] : null;
      },
    },
    (s, d) => {
      const i = isThere(s) ? s.shore?.isolator : null;
      const place = rowOf(d.places, i?.placeId);
      const bad = place !== undefined && (place.wet || place.drips || place.vapour);
      return when(i != null && (place === undefined || bad), () => ({
        severity: bad ? 'stop' : 'fix',
        title: place ? `its ${nameOf(s)} is in ${place.name}` : `its ${nameOf(s)} has no place aboard`,
      }));
    },
  ),
  acSource(
    {
      id: 'ac-isolator-small',
      severity: 'stop',
      reads: ['acSources.shore.isolator.ratedA', 'acSources.ratedA'],
      when: 'a galvanic isolator or a transformer is rated below the inlet, or its rating is not entered',
      why: 'A fault’s current goes through the isolator, a transformer carries everything: it burns open before the breaker does.',
      todo: `One for the inlet’s amps, one that fails closed. ${AC_LAW}`,
      hazard: 'shock',
      confirm: 'eyes',
    },
    (s) => {
      const i = isThere(s) ? s.shore?.isolator : null;
      if (i == null) return [];
      if (i.ratedA === null)
        return [{ severity: 'note', title: `its ${nameOf(s)}’s rating is not entered`, todo: 'Read it off its plate.' }];
      return when(i.ratedA < s.ratedA - 1e-9, () => ({
        title: `its ${nameOf(s)} of ${round3(i.ratedA ?? 0)} A is behind an inlet of ${round3(s.ratedA)} A`,
      }));
    },
  ),
  acSource(
    {
      id: 'ac-isolator-earth',
      severity: 'stop',
      reads: ['acSources.shore.isolator.earthSize', 'acSources.ratedA', 'boat.ruleSet'],
      when: 'the earth through a galvanic isolator, or from a transformer, is less than its school asks for',
      why: 'A fault burns it off before the breaker opens: every case aboard is live.',
      todo: 'An earth of the size wanted, one piece to the isolator and one on to the AC earth bar.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: (design, { about }) => {
        const s = rowOf(design.acSources, about.id);
        return s?.shore?.isolator?.earthSize ? [setOp(design, ['acSources', s.id, 'shore', 'isolator', 'earthSize'], null)] : null;
      },
    },
    (s, d) => {
      const e = earthRun(d, s);
      return when(e !== null && e.conductor.areaMm2 < e.least.areaMm2 - 1e-9, () => ({
        title: `the earth ${e?.isolation === 'galvanic isolator' ? 'through its isolator' : 'from its transformer'} is ${e ? sizeName(e.conductor.school, e.conductor.size) : ''}`,
        todo: `${e ? sizeName(e.least.school, e.least.size) : ''} or heavier, one piece to the isolator and one on to the AC earth bar.`,
      }));
    },
  ),
];

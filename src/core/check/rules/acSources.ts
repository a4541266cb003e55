/** Rules on AC sources of every kind, and all rules on AC sources and appliances in their order. */
import { elsewhere } from './elsewhere';
import { SERVICES } from '../../ac';
import { rowOf } from '../../design';
import { SOURCES, when } from '../rule';
import { type AcRule, acSource, acWhole, set } from './acParts';
import { AC_APPLIANCE_RULES } from './acAppliances';
import { AC_GENERATOR_RULES, AC_INVERTER_RULES } from './acSupplies';
import { AC_ISOLATOR_RULES } from './acIsolators';
import { AC_SHORE_RULES } from './acShore';

const GENERAL: readonly AcRule[] = [
  acWhole(
    {
      id: 'ac-no-service',
      severity: 'fix',
      reads: ['acSources', 'acLoads'],
      when: 'there are AC appliances and no AC source',
      why: 'Nothing ashore or aboard feeds them yet.',
      todo: 'Enter a source on the AC station, or let it propose one.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
    },
    (d) => when(d.acSources.length === 0 && d.acLoads.length > 0, () => ({ title: 'AC appliances have no service' })),
  ),
  acSource(
    {
      id: 'ac-no-amps',
      severity: 'stop',
      reads: ['acSources.ratedA'],
      when: 'a source is entered with 0 A',
      why: 'Nothing can run on it.',
      todo: 'Enter the amps it is made for.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.data,
    },
    (s) =>
      when(s.ratedA <= 0, () => ({
        title: 'gives 0 A',
        todo:
          s.kind === 'shore'
            ? 'Enter what the inlet and its cord are made for: 16, 30 or 32 A and so on.'
            : 'Enter the amps its output breaker lets through.',
      })),
  ),
  acSource(
    {
      id: 'ac-other-service',
      severity: 'stop',
      reads: ['acSources.service', 'boat.acRegion'],
      when: 'a source has another service than the boat',
      why: 'Appliances burn on the wrong volts; motors run wrong on the wrong frequency.',
      todo: 'Change the service of the source, or the region of the boat on Survey.',
      hazard: 'fire',
      confirm: 'a meter',
      cure: (design, finding) => set('acSources', ['service'], design.boat.acRegion)(design, finding),
    },
    (s, d) =>
      when(s.service !== d.boat.acRegion && !(s.kind === 'inverter' && d.boat.acRegion === '120/240 V' && s.service === '120 V'), () => ({
        title: `is ${SERVICES[s.service].words} on a ${d.boat.acRegion} boat`,
      })),
  ),
  acSource(
    {
      id: 'ac-unused',
      severity: 'fix',
      reads: ['acCircuits.from'],
      when: 'no run leaves a source',
      why: 'No run leaves it.',
      todo: 'Propose the AC side, or add a run from it to a panel.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
    },
    (s, d) => when(!d.acCircuits.some((c) => c.from.kind === 'source' && c.from.id === s.id), () => ({ title: 'feeds nothing' })),
  ),
  acSource(
    {
      id: 'ac-place',
      severity: 'stop',
      reads: ['acSources.placeId', 'acSources.ignitionProtected', 'places'],
      when: 'a generator or inverter is in a wet or dripping place, or where petrol vapour is possible and it is not entered as ignition protected',
      why: 'It is wet there, or petrol vapour is possible, or something drips from above: shock, fire, explosion.',
      todo: 'Find it a dry, aired place.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: elsewhere((p) => !p.vapour && !p.wet && !p.drips),
    },
    (s, d) => {
      const place = rowOf(d.places, s.placeId);
      return when(
        s.kind !== 'shore' && place !== undefined && ((place.vapour && !s.ignitionProtected) || place.wet || place.drips),
        () => ({
          title: `is in ${place?.name ?? ''}`,
        }),
      );
    },
  ),
  acSource(
    {
      id: 'ac-no-place',
      severity: 'fix',
      reads: ['acSources.placeId'],
      when: 'it is not entered where a generator or inverter is',
      why: 'In a wet, dripping or petrol vapour place it is a shock, a fire or an explosion.',
      todo: 'Enter its place.',
      hazard: 'shock',
      confirm: 'eyes',
    },
    (s) => when(s.kind !== 'shore' && s.placeId === null, () => ({ title: 'has no place aboard' })),
  ),
];

export const AC_SOURCE_RULES: readonly AcRule[] = [
  ...GENERAL,
  ...AC_SHORE_RULES,
  ...AC_ISOLATOR_RULES,
  ...AC_GENERATOR_RULES,
  ...AC_INVERTER_RULES,
  ...AC_APPLIANCE_RULES,
];

/** Rules on AC appliances: what their plates say, and which source can run them. */
import type { AcParts } from '../../ac';
import { consumerOf, fits, loose, outletA, rowsOn, SERVICES, type Setting, settingsOf, vaOf, withBreakers, opens } from '../../ac';
import { type AcLoad, dropOps } from '../../design';
import { SOURCES, when } from '../rule';
import { acLoad, type AcRule, set } from './acParts';

/** What several rules on an appliance ask: the settings of the sources that can run it, and whether it is on a run. */
interface Served {
  readonly loose: ReadonlySet<string>;
  readonly settingsFor: (l: AcLoad) => readonly Setting[];
}
function servedBy(design: AcParts): Served {
  const rows = new Map(design.acSources.map((s) => [s.id, new Set(rowsOn(design, s.id))]));
  const settings = withBreakers(design, settingsOf(design));
  return { loose: loose(design), settingsFor: (l) => settings.filter((s) => rows.get(s.sourceId)?.has(l)) };
}

const counts = (l: AcLoad): boolean => l.powerFactor > 0;

export const AC_APPLIANCE_RULES: readonly AcRule[] = [
  acLoad(
    {
      id: 'ac-pf',
      severity: 'stop',
      reads: ['acLoads.powerFactor'],
      when: 'an appliance is entered with a power factor of 0',
      why: 'It would draw without end.',
      todo: 'Enter 1 for what heats, 0.6 to 0.9 for motors and electronics.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.data,
      cure: set('acLoads', ['powerFactor'], 1),
    },
    (l) => when(!counts(l), () => ({ title: 'has a power factor of 0' })),
  ),
  acLoad(
    {
      id: 'ac-no-watts',
      severity: 'fix',
      reads: ['acLoads.watts'],
      when: 'an appliance is entered with 0 W',
      why: 'It counts for nothing.',
      todo: 'Enter the watts on its plate, or measure them.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.data,
    },
    (l) => when(counts(l) && l.watts <= 0 && l.chargerId === null, () => ({ title: 'draws 0 W' })),
  ),
  acLoad(
    {
      id: 'ac-surge',
      severity: 'fix',
      reads: ['acLoads.surgeVa', 'acLoads.watts'],
      when: 'an appliance’s start is entered below what it runs on',
      why: 'A start takes more than running does.',
      todo: 'Enter what it takes while it starts, or leave it empty where it has no surge.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.data,
      cure: set('acLoads', ['surgeVa'], null),
    },
    (l, d) =>
      when(counts(l) && l.surgeVa !== null && l.surgeVa < vaOf(d, l) - 1e-9, () => ({
        title: 'starts with less than it runs on',
        why: `Its start is entered as ${Math.round(l.surgeVa ?? 0)} VA, it runs on ${Math.round(vaOf(d, l))} VA.`,
      })),
  ),
  acLoad(
    {
      id: 'ac-leg',
      severity: 'fix',
      reads: ['acLoads.leg', 'boat.acRegion'],
      when: 'an appliance is on a leg the service has not',
      why: 'It is calculated on the first.',
      todo: 'Put it on the first leg, or change the region on Survey.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: set('acLoads', ['leg'], 'first'),
    },
    (l, d) =>
      when(counts(l) && SERVICES[d.boat.acRegion].legs === 1 && l.leg !== 'first', () => ({
        title: 'is on a leg this boat has not',
        why: `The service has one pole: ${l.leg === 'both' ? 'nothing goes between two legs' : 'there is no second leg'}. It is calculated on the first.`,
      })),
  ),
  {
    id: 'ac-loose',
    about: 'AC load',
    severity: 'note',
    reads: ['acCircuits.loadIds'],
    when: 'an appliance is on no run',
    why: 'It is taken to be within reach of every source.',
    todo: 'Put it on a branch, or let the station propose one.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: (d) => {
      if (d.acCircuits.length === 0) return [];
      const free = loose(d);
      return d.acLoads.flatMap((l) => (counts(l) && free.has(l.id) ? [{ id: l.id, title: 'is on no AC circuit' }] : []));
    },
  },
  {
    id: 'ac-too-large',
    about: 'AC load',
    severity: 'fix',
    reads: ['acLoads.watts', 'acSources', 'acCircuits'],
    when: 'an appliance fits on no source that reaches it',
    why: 'It takes more than any source it can reach.',
    todo: 'A smaller one, a larger service, or a panel it can be fed from.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: (d) => {
      const served = servedBy(d);
      return d.acLoads.flatMap((l) => {
        const settings = counts(l) ? served.settingsFor(l) : [];
        const alone = settings.flatMap((s) => opens([consumerOf(d, l, s.limit.legs)], s.limit));
        return settings.length > 0 && settings.every((s) => !fits([consumerOf(d, l, s.limit.legs)], s.limit))
          ? [
              {
                id: l.id,
                title: 'fits on no source',
                why: `It takes ${Math.round(vaOf(d, l))} VA alone, more than any source it can reach${alone.length > 0 ? `, or a breaker before it: ${[...new Set(alone)].join(', ')}` : ''}.`,
                todo: `A smaller one, a larger service, or a panel it can be fed from; an outlet is made for ${outletA(SERVICES[d.boat.acRegion].volts)} A.`,
              },
            ]
          : [];
      });
    },
    cure: (design, { about }) => dropOps(design, 'acLoads', [about.id]),
  },
];

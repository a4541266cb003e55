/** Rules on ways of living and cruises. */
import { BOUNDS, type Cruise, type Living, rowOf, setOp, dropOp } from '../../design';
import { type Said, SOURCES, when } from '../rule';
import type { ChargingParts } from './reads';
import { type ChargingRow, type ChargingRule } from './chargingRule';

const living = (row: ChargingRow, told: (l: Living) => readonly Said[]): ChargingRule => ({
  source: SOURCES.data,
  ...row,
  about: 'living',
  find: (design) => design.living.flatMap((l) => told(l).map((t) => ({ ...t, id: l.id }))),
});
const cruise = (row: ChargingRow, told: (c: Cruise, design: ChargingParts) => readonly Said[]): ChargingRule => ({
  source: SOURCES.data,
  ...row,
  about: 'cruise',
  find: (design) => design.cruises.flatMap((c) => told(c, design).map((t) => ({ ...t, id: c.id }))),
});

const daysOf = (c: Cruise): number => c.repeat * c.legs.reduce((sum, l) => sum + l.days, 0);

export const DAY_RULES: readonly ChargingRule[] = [
  living(
    {
      id: 'span',
      severity: 'fix',
      reads: ['living.day'],
      when: 'a stretch of the day ends before it begins',
      why: 'It counts for nothing.',
      todo: 'Set its end after its beginning; over midnight, enter two.',
      hazard: 'none',
      confirm: 'nothing',
      cure: (design, { about, id }) => {
        const living = rowOf(design.living, about.id);
        return living
          ? [
              setOp(
                design,
                ['living', living.id, 'day'],
                living.day.filter((s) => id !== `span-${s.id}:${living.id}`),
              ),
            ]
          : null;
      },
    },
    (l) =>
      l.day.flatMap((s) =>
        when(s.toH <= s.fromH, () => ({ suffix: `-${s.id}`, title: `${s.what} lasts no time, or ends before it begins` })),
      ),
  ),
  living(
    {
      id: 'overlap',
      severity: 'note',
      reads: ['living.day'],
      when: 'two stretches of one kind overlap',
      why: 'Where two stretches overlap the larger counts.',
      todo: 'Draw them apart.',
      hazard: 'none',
      confirm: 'nothing',
    },
    (l) =>
      [...new Set(l.day.map((s) => s.what))].flatMap((what) => {
        const spans = l.day.filter((s) => s.what === what && s.toH > s.fromH).sort((a, b) => a.fromH - b.fromH);
        const overlaps = spans.some((s, i) => i > 0 && s.fromH < (spans[i - 1]?.toH ?? 0) - 1e-9);
        return when(overlaps, () => ({ suffix: `-${what}`, title: `${what} overlaps itself` }));
      }),
  ),
  cruise(
    {
      id: 'cruise-long',
      severity: 'note',
      reads: ['cruises'],
      when: `a cruise is longer than ${BOUNDS.cruiseDays} days`,
      why: `The first ${BOUNDS.cruiseDays} are calculated.`,
      todo: 'Shorten its legs or repeats.',
      hazard: 'none',
      confirm: 'nothing',
    },
    (c) => when(daysOf(c) > BOUNDS.cruiseDays, () => ({ title: `has ${daysOf(c)} days` })),
  ),
  cruise(
    {
      id: 'cruise-empty',
      severity: 'note',
      reads: ['cruises'],
      when: 'a cruise has no days',
      why: 'There is nothing to calculate.',
      todo: 'Give its legs days in a way of living.',
      hazard: 'none',
      confirm: 'nothing',
      cure: (design, { about }) => [dropOp(design, 'cruises', about.id)],
    },
    (c) => when(daysOf(c) === 0, () => ({ title: 'has no days' })),
  ),
  cruise(
    {
      id: 'cruise-gone',
      severity: 'fix',
      reads: ['cruises', 'living'],
      when: 'a cruise has days in a way of living that was removed',
      why: 'They are left out.',
      todo: 'Choose another way of living for them.',
      hazard: 'none',
      confirm: 'nothing',
      cure: (design, { about }) => {
        const c = rowOf(design.cruises, about.id);
        return c
          ? [
              setOp(
                design,
                ['cruises', c.id, 'legs'],
                c.legs.filter((l) => rowOf(design.living, l.livingId)),
              ),
            ]
          : null;
      },
    },
    (c, design) =>
      when(
        c.legs.some((l) => !design.living.some((w) => w.id === l.livingId)),
        () => ({ title: 'has days in a way of living that is gone' }),
      ),
  ),
];

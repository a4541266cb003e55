/** Rules on motors: what becomes of one that is held fast. */
import { type Load, setOp } from '../../design';
import { servingOf } from '../../topology';
import { show } from '../../quantity';
import { carries, slowestOpeningS } from '../../protection';
import { SOURCES, type Told } from '../rule';
import { type StillRule, idOf } from './circuitFacts';

const MOTOR_GROUPS: ReadonlySet<Load['group']> = new Set(['pump', 'blower', 'deck', 'heavy']);
/** Below this a stalled motor warms little, A. */
const SLIGHT_A = 1.5;
/** What a motor draws held fast, where nobody says: so many times its working current, or what it starts with. Typical. */
const STALL_TIMES = 4;
const WITHIN_S = 60;
const SOON_S = 20;

const isMotor = (l: Load): boolean =>
  MOTOR_GROUPS.has(l.group) && l.surgeA !== null && !l.ownTrip && l.kind !== 'starter' && l.kind !== 'inverter';

export const MOTOR_RULES: readonly StillRule[] = [
  {
    id: 'stall',
    about: 'load',
    severity: 'fix',
    reads: ['loads.surgeA', 'loads.stalledA', 'loads.ownTrip', 'circuits.pin'],
    when: `a motor without a trip of its own that is held fast does not open its device within ${WITHIN_S} s`,
    why: 'Held fast by rope, weed or ice it goes on drawing: its windings burn.',
    todo: 'A smaller or a quicker device that still carries its start, or a motor with a trip of its own.',
    hazard: 'fire',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: (f) => {
      const { input, protection, family } = f.b;
      if (protection.missing || input.isFeeder) return [];
      return input.taps.flatMap(({ load, current }): readonly Told[] => {
        if (!load || !current || !isMotor(load)) return [];
        const workingA = current.workingA / load.quantity;
        if (workingA <= SLIGHT_A) return [];
        const stalledA = load.stalledA ?? Math.max(STALL_TIMES * workingA, load.surgeA ?? 0);
        const others = input.workingA - workingA;
        const s = slowestOpeningS(family, protection.ratingA, stalledA + others);
        if (s <= SOON_S) return [];
        // Carrying the start goes before opening on a stall, and what its maker asks for before both.
        const byMaker = load.makerFuseA !== null && protection.ratingA <= load.makerFuseA;
        const leastA = Math.max(0, ...protection.lower.map((b) => b.amps));
        const smaller = family.ratingsA.some(
          (r) => r < protection.ratingA && r >= leastA && input.surges.every((x) => carries(family, r, x.circuitA, x.seconds)),
        );
        const given = load.stalledA === null ? 'about ' : '';
        return [
          {
            id: idOf(f),
            suffix: `-${load.id}`,
            about: { kind: 'load', id: load.id },
            severity: s > WITHIN_S && smaller && !byMaker ? 'fix' : 'note',
            ...(byMaker
              ? { todo: 'Its maker asks for this fuse: ask whether the motor has a trip of its own.' }
              : smaller
                ? {}
                : {
                    todo: 'Nothing smaller of this kind carries its start: a quicker or another kind of device, or a motor with a trip of its own.',
                  }),
            title: `held fast it draws ${given}${show(stalledA, 'A', f.units)}: ${protection.ratingA} A ${s === Infinity ? 'may never open' : `opens after ${show(s, 's', f.units)}`}`,
          },
        ];
      });
    },
    cure: (design, { about }) => {
      const c = servingOf(design.circuits).loads.get(about.id);
      return c && !c.found && (c.pin.ratingA !== null || c.pin.family !== null)
        ? [setOp(design, ['circuits', c.id, 'pin'], { ...c.pin, family: null, ratingA: null })]
        : null;
    },
  },
];

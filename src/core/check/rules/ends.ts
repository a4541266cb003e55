/** Rules on the ends of a circuit: what does not take its conductor. */
import { endsTooSmall } from '../../circuit';
import { rowOf, setOp } from '../../design';
import { show, sizeName } from '../../quantity';
import { SOURCES, type Told } from '../rule';
import { type StillRule, idOf } from './circuitFacts';

export const END_RULES: readonly StillRule[] = [
  {
    id: 'end-fit',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.stepDown', 'circuits.pin', 'loads.connection', 'panels.stud', 'house'],
    when: 'an end does not take the conductor, and no step-down piece is listed for it, or its device does not protect that piece',
    why: 'Strands are cut off or a lug sits on a screw that is too small: it runs hot, and works loose.',
    todo: 'A step-down piece on a junction stud, a device or a terminal with larger studs, or a lighter conductor.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: (f) => {
      const { conductor } = f.state;
      if (f.own.kept || f.b.input.taps.length === 0) return [];
      const said = sizeName(conductor.school, conductor.size);
      return endsTooSmall(f.b, { conductor }).flatMap((end, i): readonly Told[] => {
        const most = sizeName(end.takes.school, end.takes.size);
        if (f.b.input.circuit.stepDown && end.tailProtected) return [];
        return [
          {
            id: idOf(f),
            suffix: i === 0 ? '' : `-${i}`,
            title: `${said} does not fit ${end.what}: ${most} at most`,
            ...(end.tailProtected
              ? {}
              : {
                  todo: `A device or a terminal with larger studs, or a lighter conductor: a tail of ${most} is good for ${show(end.tailA, 'A', f.units)}, and ${f.b.protection.ratingA} A does not protect it.`,
                }),
          },
        ];
      });
    },
    cure: (design, { about }) => {
      const circuit = rowOf(design.circuits, about.id);
      return circuit && !circuit.stepDown ? [setOp(design, ['circuits', circuit.id, 'stepDown'], true)] : null;
    },
  },
];

/** Rules on sockets: what may feed in through them, what their contacts bear, which half is live. */
import { kindOf, UNKNOWN_SOCKET } from '../../design';
import { show } from '../../quantity';
import { type Rule, type Said, SOURCES, type Told, when } from '../rule';
import type { DesignFacts } from './design';

const each =
  (told: (load: DesignFacts['design']['loads'][number], facts: DesignFacts) => readonly Said[]): Rule<DesignFacts>['find'] =>
  (facts) =>
    facts.design.loads.flatMap((l) => (kindOf(l) === 'socket' ? told(l, facts).map((t): Told => ({ ...t, id: l.id })) : []));

const row = {
  about: 'load',
  hazard: 'fire',
  confirm: 'eyes',
  source: SOURCES.practice,
} as const;

export const SOCKET_RULES: readonly Rule<DesignFacts>[] = [
  {
    ...row,
    id: 'socket-live',
    severity: 'stop',
    reads: ['loads.socket', 'loads.kind'],
    when: 'the pins of a plug stay live when it is pulled',
    why: 'Bare pins that are live short on the first thing they touch.',
    todo: 'The live half is the one with the hidden contacts: change the two halves over.',
    find: each((l) => when(l.socket?.liveHalf === 'plug', () => ({ title: 'its plug is the live half' }))),
  },
  {
    ...row,
    id: 'socket-one-way',
    severity: 'fix',
    reads: ['loads.socket', 'loads.kind'],
    when: 'a socket takes its plug either way round',
    why: 'What is plugged in the wrong way round is destroyed, and a source feeds the boat backwards.',
    todo: 'A connector that goes in one way only.',
    find: each((l) => when(l.socket?.oneWay === false, () => ({ title: 'takes its plug either way round' }))),
  },
  {
    ...row,
    id: 'socket-contacts',
    severity: 'fix',
    reads: ['loads.socket', 'loads.rating'],
    when: 'more passes the contacts of a socket than they are rated for',
    why: 'Its contacts heat, lose their spring and burn.',
    todo: 'A connector for the current, or less through it.',
    find: each((l, { circuitOfLoad, results, design }) => {
      const drawnA = results.get(circuitOfLoad.get(l.id)?.id ?? '')?.workingA ?? 0;
      const most = Math.max(drawnA, l.socket?.inA ?? 0);
      return when(l.socket?.contactsA != null && most > l.socket.contactsA + 1e-9, () => ({
        title: `contacts rated for ${show(l.socket?.contactsA ?? 0, 'A', design.boat)}, ${show(most, 'A', design.boat)} may pass`,
      }));
    }),
  },
  {
    ...row,
    id: 'socket-in',
    severity: 'fix',
    reads: ['loads.socket', 'circuits.supply', 'circuits.pin'],
    when: 'a source may be plugged into a socket whose circuit dies with a switch, or whose device opens at what the source gives',
    why: 'Charging stops with the switch, or opens its own fuse; and what stays plugged in keeps a dead circuit live.',
    todo: 'On a circuit that is always live, protected at the bank, its device and cable for a quarter more than the source gives.',
    hazard: 'shock',
    find: each((l, { circuitOfLoad, results, design }) => {
      const circuit = circuitOfLoad.get(l.id);
      const inA = l.socket?.inA ?? 0;
      if (!circuit || inA <= 0) return [];
      const rating = results.get(circuit.id)?.own.protection.ratingA ?? Infinity;
      return [
        ...when(circuit.supply !== 'always live', () => ({
          suffix: '-supply',
          title: `${show(inA, 'A', design.boat)} may feed in, and its circuit is "${circuit.supply}"`,
        })),
        ...when(rating < 1.25 * inA, () => ({
          suffix: '-device',
          title: `${show(inA, 'A', design.boat)} may feed in through a device of ${show(rating, 'A', design.boat)}`,
        })),
      ];
    }),
  },
  {
    ...row,
    id: 'socket-unknown',
    severity: 'note',
    reads: ['loads.socket', 'loads.kind'],
    when: 'of a socket it is not entered what may feed in, what its contacts bear, which half is live, whether it goes in one way only',
    why: 'Whatever fits is plugged in some day: a panel, a charger, a kettle.',
    todo: 'Look at it, decide what may be plugged in, and enter it on Loads: socket.',
    hazard: 'none',
    find: each((l) => {
      const s = l.socket ?? UNKNOWN_SOCKET;
      const asked = {
        'what may feed in': s.inA,
        'what its contacts bear': s.contactsA,
        'which half is live': s.liveHalf,
        'whether it goes in one way only': s.oneWay,
      };
      const unknown = Object.entries(asked).flatMap(([what, value]) => (value === null ? [what] : []));
      return when(unknown.length > 0, () => ({ title: `not entered: ${unknown.join(', ')}` }));
    }),
  },
];

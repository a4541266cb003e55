/** Rules on sockets: what may feed in through them and whether it is counted, what their contacts bear, which half is live. */
import { kindOf, onceFor, UNKNOWN_SOCKET } from '../../design';
import { show } from '../../quantity';
import { type Rule, type Said, SOURCES, type Told, when } from '../rule';
import type { DesignFacts } from './design';

type Load = DesignFacts['design']['loads'][number];

/** Sockets of a list of loads, found once for all rules. */
const socketsOf = onceFor((loads: readonly Load[]): readonly Load[] => loads.filter((l) => kindOf(l) === 'socket'));

const each =
  (told: (load: Load, facts: DesignFacts) => readonly Said[]): Rule<DesignFacts>['find'] =>
  (facts) =>
    socketsOf(facts.design.loads).flatMap((l) => told(l, facts).map((t): Told => ({ ...t, id: l.id })));

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
    id: 'socket-uncounted',
    severity: 'note',
    reads: ['loads.socket', 'sources.loadId'],
    when: 'a source feeds the boat through a socket and is not among what charges',
    why: 'The bank gets more than the balance says, or is believed to get it: nobody has said from what.',
    todo: 'Add it on Charging, and name the socket as the row of the load sheet that carries it.',
    hazard: 'none',
    find: each((l, { design }) => {
      const { inA, inH } = l.socket ?? UNKNOWN_SOCKET;
      if (!inA || !inH || design.sources.some((s) => s.loadId === l.id)) return [];
      return [
        { title: `${show(inA * inH, 'Ah', design.boat)} a day through it (${show(inA, 'A', design.boat)}, ${inH} h) is not counted` },
      ];
    }),
  },
  {
    ...row,
    id: 'socket-unlike',
    severity: 'fix',
    reads: ['loads.socket', 'sources.loadId', 'sources.kind', 'sources.ratedA'],
    when: 'what charges through a socket is another kind of source, or a larger one, than the socket is for',
    why: 'The socket, its cable and its device were chosen for something else.',
    todo: 'Say on Loads what may be plugged in, or charge by a cable of its own.',
    find: each((l, { design }) =>
      design.sources.flatMap((s): readonly Said[] => {
        if (s.loadId !== l.id || s.insteadOfId !== null || !l.socket) return [];
        const { feeder, inA } = l.socket;
        const unlike = feeder !== null && feeder !== 'any source' && (feeder === 'panel') !== (s.kind === 'solar');
        return [
          ...when(unlike, () => ({ suffix: '-kind', title: `is for a ${feeder ?? ''}, and ${s.name} charges through it` })),
          ...when(inA !== null && s.ratedA > inA + 1e-9, () => ({
            suffix: '-amps',
            title: `is for ${show(inA ?? 0, 'A', design.boat)}, and ${s.name} gives ${show(s.ratedA, 'A', design.boat)}`,
          })),
        ];
      }),
    ),
  },
  {
    ...row,
    id: 'socket-unknown',
    severity: 'note',
    reads: ['loads.socket', 'loads.kind'],
    when: 'of a socket it is not entered what may feed in, from what and for how long, what its contacts bear, which half is live, whether it goes in one way only',
    why: 'Whatever fits is plugged in some day: a panel, a charger, a kettle.',
    todo: 'Look at it, decide what may be plugged in, and enter it on Loads: socket.',
    hazard: 'none',
    find: each((l) => {
      const s = l.socket ?? UNKNOWN_SOCKET;
      const feeds = s.inA !== 0;
      const asked = {
        'what may feed in': s.inA,
        ...(feeds ? { 'from which kind of source': s.feeder, 'for how many hours a day': s.inH } : {}),
        'what its contacts bear': s.contactsA,
        'which half is live': s.liveHalf,
        'whether it goes in one way only': s.oneWay,
      };
      const unknown = Object.entries(asked).flatMap(([what, value]) => (value === null ? [what] : []));
      return when(unknown.length > 0, () => ({ title: `not entered: ${unknown.join(', ')}` }));
    }),
  },
];

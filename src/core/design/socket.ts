/** A socket as a load: what may be plugged in to feed the boat, what its contacts bear, which half is live, whether it goes in one way only. */
import * as v from 'valibot';
import { between, oneOf } from './fields';

export const LIVE_HALVES = ['socket', 'plug'] as const;

/** Nothing known of it is null. */
export const SocketSchema = v.object({
  /** The largest source that may be plugged in, A; 0: none may. */
  inA: v.nullable(between(0, 300)),
  contactsA: v.nullable(between(0.1, 1000)),
  liveHalf: v.nullable(oneOf(LIVE_HALVES)),
  oneWay: v.nullable(v.boolean()),
});
export type Socket = v.InferOutput<typeof SocketSchema>;

export const UNKNOWN_SOCKET: Socket = { inA: null, contactsA: null, liveHalf: null, oneWay: null };

/** As a person writes it: "in 20 A; contacts 30 A; live socket; polarised". */
export const showSocket = ({ inA, contactsA, liveHalf, oneWay }: Readonly<Socket>): string =>
  [
    inA === null ? '' : inA === 0 ? 'nothing in' : `in ${inA} A`,
    contactsA === null ? '' : `contacts ${contactsA} A`,
    liveHalf === null ? '' : `live ${liveHalf}`,
    oneWay === null ? '' : oneWay ? 'polarised' : 'not polarised',
  ]
    .filter(Boolean)
    .join('; ');

/** The same read again, in any order; empty is a socket of which nothing is known. null: not understood. */
export function parseSocket(text: string): Socket | null {
  let socket: Socket = UNKNOWN_SOCKET;
  for (const part of text.toLowerCase().split(/[;,]/)) {
    const words = part.trim().replace(/(\d)\s*a$/, '$1');
    const number = Number(/(\d+(\.\d+)?)$/.exec(words)?.[1]);
    if (words === '') continue;
    if (words === 'nothing in') socket = { ...socket, inA: 0 };
    else if (/^in \d/.test(words)) socket = { ...socket, inA: number };
    else if (/^contacts \d/.test(words)) socket = { ...socket, contactsA: number };
    else if (/^live (socket|plug)$/.test(words)) socket = { ...socket, liveHalf: words.endsWith('plug') ? 'plug' : 'socket' };
    else if (/^(not )?polarised$/.test(words)) socket = { ...socket, oneWay: !words.startsWith('not') };
    else return null;
  }
  return v.is(SocketSchema, socket) ? socket : null;
}

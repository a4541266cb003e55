/** A socket as a load: what may be plugged in to feed the boat and for how long, what its contacts bear, which half is live, whether it goes in one way only. */
import * as v from 'valibot';
import { WHENS } from './charging';
import { between, later, oneOf } from './fields';

export const LIVE_HALVES = ['socket', 'plug'] as const;

/** What may be plugged in to feed the boat. */
export const FEEDERS = ['panel', 'charger', 'any source'] as const;

/** Nothing known of it is null. */
export const SocketSchema = v.object({
  /** The largest source that may be plugged in, A; 0: none may. */
  inA: v.nullable(between(0, 300)),
  contactsA: v.nullable(between(0.1, 1000)),
  liveHalf: v.nullable(oneOf(LIVE_HALVES)),
  oneWay: v.nullable(v.boolean()),
  /** Which kind of source may be. */
  feeder: later(v.nullable(oneOf(FEEDERS)), null),
  /** Hours a day it feeds the boat at its full amps, or what comes to the same. */
  inH: later(v.nullable(between(0, 24)), null),
  inWhen: later(v.nullable(oneOf(WHENS)), null),
});
export type Socket = v.InferOutput<typeof SocketSchema>;

export const UNKNOWN_SOCKET: Socket = {
  inA: null,
  contactsA: null,
  liveHalf: null,
  oneWay: null,
  feeder: null,
  inH: null,
  inWhen: null,
};

/** What may feed in: "in 20 A from panel 5 h by day". */
const showFeed = ({ inA, feeder, inH, inWhen }: Readonly<Socket>): string =>
  [
    inA === null ? 'in' : inA === 0 ? 'nothing in' : `in ${inA} A`,
    feeder === null ? '' : `from ${feeder}`,
    inH === null ? '' : `${inH} h`,
    inWhen ?? '',
  ]
    .filter(Boolean)
    .join(' ');

/** As a person writes it: "in 20 A from panel 5 h by day; contacts 30 A; live socket; polarised". */
export const showSocket = (socket: Readonly<Socket>): string =>
  [
    showFeed(socket) === 'in' ? '' : showFeed(socket),
    socket.contactsA === null ? '' : `contacts ${socket.contactsA} A`,
    socket.liveHalf === null ? '' : `live ${socket.liveHalf}`,
    socket.oneWay === null ? '' : socket.oneWay ? 'polarised' : 'not polarised',
  ]
    .filter(Boolean)
    .join('; ');

const NUMBER = '(\\d+(?:\\.\\d+)?)';
const FEED = new RegExp(
  `^(?:(nothing in)|in)(?: ${NUMBER} ?a?)?(?: from (${FEEDERS.join('|')}))?(?: ${NUMBER} ?h)?(?: (${WHENS.join('|')}))?$`,
);

function parseFeed(words: string): Pick<Socket, 'inA' | 'feeder' | 'inH' | 'inWhen'> | null {
  const found = FEED.exec(words);
  if (!found || words === 'in' || (found[1] && found[2])) return null;
  const [, nothing, amps, feeder, hours, when] = found;
  return {
    inA: nothing ? 0 : amps === undefined ? null : Number(amps),
    feeder: FEEDERS.find((f) => f === feeder) ?? null,
    inH: hours === undefined ? null : Number(hours),
    inWhen: WHENS.find((w) => w === when) ?? null,
  };
}

/** The same read again, in any order; empty is a socket of which nothing is known. null: not understood. */
export function parseSocket(text: string): Socket | null {
  let socket: Socket = UNKNOWN_SOCKET;
  for (const part of text.toLowerCase().split(/[;,]/)) {
    const words = part.trim().replace(/\s+/g, ' ');
    const contacts = /^contacts (\d+(?:\.\d+)?) ?a?$/.exec(words);
    const feed = parseFeed(words);
    if (words === '') continue;
    if (feed) socket = { ...socket, ...feed };
    else if (contacts) socket = { ...socket, contactsA: Number(contacts[1]) };
    else if (/^live (socket|plug)$/.test(words)) socket = { ...socket, liveHalf: words.endsWith('plug') ? 'plug' : 'socket' };
    else if (/^(not )?polarised$/.test(words)) socket = { ...socket, oneWay: !words.startsWith('not') };
    else return null;
  }
  return v.is(SocketSchema, socket) ? socket : null;
}

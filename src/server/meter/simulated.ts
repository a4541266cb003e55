/** The simulated meter: a WebSocket of its own on this machine alone, begun and ended with the server. It plays a day of a boat as deltas. */
import { randomBytes } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { WebSocket, WebSocketServer } from 'ws';
import type { Source } from '@/core/design';
import { METER_FAULTS, meterDay, meterDelta, type MeterSample } from '@/core/monitoring';
import { openBoat } from '../boats';
import { database } from '../database';
import { isLoopback } from '../gate';

/** So many listen at once; messages a second; bytes that may wait for a slow one; bytes taken from a listener: none are needed. */
const MOST_LISTENERS = 8;
const MOST_PER_S = 20;
const WAITING_BYTES = 1 << 16;
const TAKEN_BYTES = 256;

const shared = globalThis as { solenixMeter?: { readonly server: WebSocketServer; readonly url: string } };

/** Where the meter is heard; null: it was not begun. */
export const simulatedUrl = (): string | null => shared.solenixMeter?.url ?? null;

/** Only from this machine, under a name of it, by who was told the way; no page of a browser. */
function admits(request: IncomingMessage, key: string): boolean {
  const host = request.headers.host?.replace(/:\d+$/, '').replace(/^\[|\]$/g, '');
  return isLoopback(host) && request.headers.origin === undefined && (request.url ?? '').startsWith(`/${key}?`);
}

/** Begins it on a free port of the loopback. Asked twice it stands once. */
export function beginMeter(): void {
  if (shared.solenixMeter) return;
  const key = randomBytes(16).toString('hex');
  const server = new WebSocketServer({
    host: '127.0.0.1',
    port: 0,
    maxPayload: TAKEN_BYTES,
    verifyClient: ({ req }: { req: IncomingMessage }) => server.clients.size < MOST_LISTENERS && admits(req, key),
  });
  server.on('listening', () => {
    shared.solenixMeter = { server, url: `ws://127.0.0.1:${(server.address() as AddressInfo).port}/${key}` };
  });
  server.on('error', (error) => console.error(`The simulated meter is not there: ${error.message}`));
  server.on('connection', (socket, request) => play(socket, new URL(request.url ?? '', 'http://meter').searchParams));
  // The process may end while somebody listens.
  server.on('connection', (_, request) => request.socket.unref());
  (server as unknown as { _server?: { unref: () => void } })._server?.unref();
}

function samplesFor(
  asked: URLSearchParams,
): { readonly bankId: string; readonly samples: readonly MeterSample[]; readonly sources: readonly Source[] } | null {
  const boat = openBoat(database(), asked.get('boat') ?? '');
  const bankId = asked.get('bank') ?? '';
  if (!boat) return null;
  const faults = (asked.get('faults') ?? '').split(',').flatMap((f) => METER_FAULTS.find((k) => k === f) ?? []);
  const samples = meterDay(boat.design, bankId, asked.get('living') ?? '', faults);
  return samples && { bankId, samples, sources: boat.design.sources };
}

/** Plays from the minute asked for, at so many minutes a second, and begins the day again at its end. */
function play(socket: WebSocket, asked: URLSearchParams): void {
  socket.on('error', () => socket.terminate());
  const found = samplesFor(asked);
  if (!found || found.samples.length === 0) return socket.close(1008, 'no such boat, bank or way of living');
  const perSecond = Math.min(600, Math.max(1, Number(asked.get('speed')) || 60));
  const every = Math.ceil(perSecond / MOST_PER_S);
  const from = Date.UTC(new Date().getUTCFullYear(), new Date().getUTCMonth(), new Date().getUTCDate());
  let minute = Math.max(0, Math.floor(Number(asked.get('minute')) || 0)) % found.samples.length;
  const timer = setInterval(
    () => {
      if (socket.readyState !== WebSocket.OPEN || socket.bufferedAmount > WAITING_BYTES) return;
      const sample = found.samples[minute];
      if (sample) socket.send(meterDelta(found.bankId, sample, from, found.sources));
      minute = (minute + every) % found.samples.length;
    },
    (1000 * every) / perSecond,
  );
  socket.on('close', () => clearInterval(timer));
}

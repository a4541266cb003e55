/** Live readings of a meter for a window: the server listens to an address the operator listed, and passes on what it understands. */
import * as v from 'valibot';
import { WebSocket } from 'ws';
import { simulatedUrl } from './simulated';

export interface MeterAddress {
  readonly name: string;
  readonly simulated: boolean;
}

/** What a window is told of one moment: minute of the day, volts, amps into the bank, charge from 0 to 1. */
export interface Heard {
  readonly at: number;
  readonly volts: number | null;
  readonly amps: number | null;
  readonly soc: number | null;
}

const SIMULATED = 'simulated';
const TAKEN_BYTES = 1 << 16;

/** SOLENIX_METERS: name=ws://address, several with commas between. */
function listed(): ReadonlyMap<string, string> {
  const out = new Map<string, string>();
  for (const part of (process.env.SOLENIX_METERS ?? '').split(',')) {
    const at = part.indexOf('=');
    const [name, url] = [part.slice(0, at).trim(), part.slice(at + 1).trim()];
    if (at > 0 && /^wss?:\/\//.test(url)) out.set(name, url);
  }
  return out;
}

export const meterAddresses = (): readonly MeterAddress[] => [
  ...(simulatedUrl() === null ? [] : [{ name: SIMULATED, simulated: true }]),
  ...[...listed().keys()].map((name) => ({ name, simulated: false })),
];

const Delta = v.object({
  updates: v.pipe(
    v.array(
      v.object({
        timestamp: v.optional(v.string()),
        values: v.pipe(v.array(v.object({ path: v.string(), value: v.unknown() })), v.maxLength(400)),
      }),
    ),
    v.maxLength(50),
  ),
});

/** What of a message is said of a bank; null: nothing. */
export function heardIn(text: string, bankPath: string): Heard | null {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return null;
  }
  const parsed = v.safeParse(Delta, value);
  if (!parsed.success) return null;
  const said = new Map<string, number>();
  let at = NaN;
  for (const u of parsed.output.updates) {
    for (const { path, value: x } of u.values)
      if (path.startsWith(`electrical.batteries.${bankPath}.`) && typeof x === 'number' && Number.isFinite(x))
        said.set(path.split('.').slice(3).join('.'), x);
    if (u.timestamp) at = Date.parse(u.timestamp);
  }
  if (said.size === 0) return null;
  const amps = said.get('current');
  return {
    at: Number.isFinite(at) ? at : Date.now(),
    volts: said.get('voltage') ?? null,
    // Out of the bank is positive in the model; into it here.
    amps: amps === undefined ? null : -amps,
    soc: said.get('capacity.stateOfCharge') ?? null,
  };
}

/** A stream of what is heard, as server-sent events; ends when the window or the meter goes. null: no such address. */
export function feed(name: string, bank: string, asked: URLSearchParams, signal: AbortSignal): ReadableStream<Uint8Array> | null {
  const simulated = name === SIMULATED ? simulatedUrl() : null;
  const url = simulated ? `${simulated}?${asked.toString()}` : (listed().get(name) ?? null);
  if (url === null) return null;
  const encoder = new TextEncoder();
  let socket: WebSocket | null = null;
  return new ReadableStream<Uint8Array>(
    {
      start(controller) {
        const own = new WebSocket(url, { maxPayload: TAKEN_BYTES, handshakeTimeout: 5000 });
        socket = own;
        let open = true;
        const say = (event: string, data: unknown) => {
          if (open && (controller.desiredSize ?? 0) > 0)
            controller.enqueue(encoder.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
        };
        const end = (why: string) => {
          if (!open) return;
          say('ended', { why });
          open = false;
          own.terminate();
          controller.close();
        };
        own.on('message', (data: Buffer) => {
          const heard = heardIn(data.toString('utf8'), bank);
          if (heard) say('reading', heard);
        });
        own.on('close', (_code: number, reason: Buffer) => end(reason.toString('utf8') || 'the meter went'));
        own.on('error', (error: Error) => end(`the meter is not reached: ${error.message}`));
        signal.addEventListener('abort', () => end('left'));
      },
      cancel() {
        socket?.terminate();
      },
    },
    new ByteLengthQueuingStrategy({ highWaterMark: TAKEN_BYTES }),
  );
}

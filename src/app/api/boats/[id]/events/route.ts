import { isThere } from '@/server/boats';
import { database } from '@/server/database';
import { editsSince, stepsOf } from '@/server/history';
import { listen } from '@/server/live';
import { lastRecord } from '@/server/records';
import { refuse } from '@/server/request';

export const dynamic = 'force-dynamic';

/** Edits written at a time, and bytes that may wait for a slow reader: it gets the rest when it has read them. */
const PAGE = 100;
const WAITING_BYTES = 1 << 20;
const BEAT_MS = 15_000;

/** A stream of the boat's edits: all missed since ?since=, then each as it is applied. What ?device= would take back stands with each; that records were added is told by the number of the newest. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const asked = new URL(request.url).searchParams;
  const since = Number(request.headers.get('last-event-id') ?? asked.get('since') ?? 0);
  const device = asked.get('device');
  if (!Number.isSafeInteger(since) || since < 0) return refuse(400, 'since: a whole number is needed');
  if (!isThere(database(), id)) return refuse(404, 'there is no such boat');
  const encoder = new TextEncoder();
  let at = since;
  let recorded = 0;
  let stop = () => {};
  const stream = new ReadableStream<Uint8Array>(
    {
      start(controller) {
        const unlisten = listen(id, () => {
          try {
            drain(controller);
          } catch {
            stop();
          }
        });
        const beat = setInterval(() => {
          if ((controller.desiredSize ?? 0) > 0) controller.enqueue(encoder.encode(': still here\n\n'));
        }, BEAT_MS);
        stop = () => {
          unlisten();
          clearInterval(beat);
        };
        controller.enqueue(encoder.encode('retry: 1000\n\n'));
        request.signal.addEventListener('abort', stop);
      },
      pull: (controller) => drain(controller),
      cancel: () => stop(),
    },
    new ByteLengthQueuingStrategy({ highWaterMark: WAITING_BYTES }),
  );
  function drain(controller: ReadableStreamDefaultController<Uint8Array>): void {
    while ((controller.desiredSize ?? 0) > 0) {
      const page = editsSince(database(), id, at, PAGE);
      const steps = page.length > 0 ? stepsOf(database(), id, device) : null;
      for (const record of page) {
        controller.enqueue(encoder.encode(`id: ${record.revision}\ndata: ${JSON.stringify({ ...record, ...steps })}\n\n`));
        at = record.revision;
      }
      if (page.length < PAGE) break;
    }
    const newest = lastRecord(database(), id);
    if (newest === recorded) return;
    recorded = newest;
    controller.enqueue(encoder.encode(`event: records\ndata: ${newest}\n\n`));
  }
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' } });
}

import { editsSince, openBoat, type EditRecord } from '@/server/boats';
import { database } from '@/server/database';
import { listen } from '@/server/live';
import { refuse } from '@/server/request';

export const dynamic = 'force-dynamic';

/** A stream of the boat's edits: those missed since ?since=, then each as it is applied. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const since = Number(request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('since') ?? 0);
  if (!Number.isSafeInteger(since) || since < 0) return refuse(400, 'since: a whole number is needed');
  if (!openBoat(database(), id)) return refuse(404, 'there is no such boat');
  const encoder = new TextEncoder();
  let stop = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const write = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const send = (record: EditRecord) => write(`id: ${record.revision}\ndata: ${JSON.stringify(record)}\n\n`);
      const unlisten = listen(id, send);
      const beat = setInterval(() => write(': still here\n\n'), 15_000);
      stop = () => {
        unlisten();
        clearInterval(beat);
      };
      write('retry: 1000\n\n');
      for (const record of editsSince(database(), id, since)) send(record);
      request.signal.addEventListener('abort', stop);
    },
    cancel: () => stop(),
  });
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' } });
}

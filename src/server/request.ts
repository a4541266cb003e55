/** Every request body is bounded in size, parsed as JSON and checked before anything else sees it. */
import * as v from 'valibot';
import { parseClean, type ReadProblem } from '@/core/design';
import { diskFault } from './patience';
import { DamagedBoat } from './stored';
import type { Answered } from './work/jobs';
import { WorkRefused } from './work/pool';

export const refuse = (status: number, message: string, problems: readonly ReadProblem[] = []): Response =>
  Response.json({ error: message, problems }, { status });

type Body<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly response: Response };

/** Reads a body of at most so many bytes, giving up as soon as there are more. */
export async function readBytes(request: Request, mostBytes: number): Promise<Body<Uint8Array>> {
  const tooLarge = { ok: false as const, response: refuse(413, `that is larger than ${mostBytes / 1e6} MB, the most that is taken`) };
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) return tooLarge;
  const reader = request.body?.getReader();
  if (!reader) return { ok: true, value: new Uint8Array() };
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return { ok: true, value: Buffer.concat(parts) };
    size += value.byteLength;
    if (size > mostBytes) {
      await reader.cancel();
      return tooLarge;
    }
    parts.push(value);
  }
}

/** Reads such a body as text. */
export async function readText(request: Request, mostBytes: number): Promise<Body<string>> {
  const bytes = await readBytes(request, mostBytes);
  return bytes.ok ? { ok: true, value: new TextDecoder('utf-8').decode(bytes.value) } : bytes;
}

/** A field of a body that its schema does not know; null: there is none. */
function unknownKey(schema: v.GenericSchema, value: unknown): string | null {
  const entries = 'entries' in schema && typeof schema.entries === 'object' ? (schema.entries as object) : null;
  if (entries === null || typeof value !== 'object' || value === null) return null;
  return Object.keys(value).find((key) => !Object.hasOwn(entries, key)) ?? null;
}

/** Reads a JSON body through a schema. What the schema does not know is refused. */
export async function readBody<S extends v.GenericSchema>(
  request: Request,
  schema: S,
  mostBytes = 2_000_000,
): Promise<Body<v.InferOutput<S>>> {
  const text = await readText(request, mostBytes);
  if (!text.ok) return text;
  let value: unknown;
  try {
    value = parseClean(text.value);
  } catch {
    return { ok: false, response: refuse(400, 'the request is not JSON') };
  }
  const unknown = unknownKey(schema, value);
  if (unknown !== null) return { ok: false, response: refuse(400, `${unknown}: there is no such field`) };
  const parsed = v.safeParse(schema, value);
  if (parsed.success) return { ok: true, value: parsed.output };
  const problems = parsed.issues.slice(0, 10).map((i) => ({ where: v.getDotPath(i) ?? 'request', message: i.message }));
  return { ok: false, response: refuse(400, `${problems[0]?.where ?? 'request'}: ${problems[0]?.message ?? 'not understood'}`, problems) };
}

/** The answer of a thread as a response; what was not understood is 422. */
export async function answerWork(answered: Promise<Answered>): Promise<Response> {
  const answer = await answered;
  if (!answer.ok) return refuse(422, answer.message, answer.problems);
  return new Response(answer.json, { headers: { 'content-type': 'application/json' } });
}

/** Runs a handler; work that took too much, a boat that cannot be read and a disk that takes nothing are told as such, a bug becomes a plain 500. */
export async function guarded(handler: () => Promise<Response> | Response): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    if (error instanceof WorkRefused) return refuse(503, error.message);
    if (error instanceof DamagedBoat) return refuse(422, error.problem);
    const fault = diskFault(error);
    if (fault) return refuse(fault.status, fault.message);
    console.error(error);
    return refuse(500, 'the server could not finish this; nothing was changed');
  }
}

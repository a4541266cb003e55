import * as v from 'valibot';
import { guarded, readBody, readText } from './request';

const Body = v.object({ name: v.pipe(v.string(), v.minLength(1, 'a name is needed')), volts: v.number() });
const ask = (body: BodyInit | null, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1:4000/x', {
    method: 'POST',
    body,
    headers,
    ...(body instanceof ReadableStream ? { duplex: 'half' } : {}),
  } as RequestInit);
const statusOf = async (request: Request, most?: number): Promise<number> => {
  const body = await readBody(request, Body, most);
  return body.ok ? 200 : body.response.status;
};
const endless = (): ReadableStream<Uint8Array> => new ReadableStream({ pull: (c) => c.enqueue(new Uint8Array(65_536).fill(32)) });

test('a good body is parsed', async () =>
  expect(await readBody(ask('{"name":"x","volts":12}'), Body)).toEqual({ ok: true, value: { name: 'x', volts: 12 } }));
test.each([
  ['no body', null, 400],
  ['no JSON', '{', 400],
  ['another shape', '[]', 400],
  ['a missing field', '{"name":"x"}', 400],
  ['a wrong type', '{"name":"x","volts":"12"}', 400],
  ['an empty name', '{"name":"","volts":12}', 400],
  ['null', 'null', 400],
  ['an unknown field', '{"name":"x","volts":12,"colour":1}', 400],
])('%s is refused', async (_, body, status) => expect(await statusOf(ask(body))).toBe(status));
test('the refusal names the field', async () => {
  const body = await readBody(ask('{"name":"","volts":12}'), Body);
  expect(body.ok).toBe(false);
  if (!body.ok)
    expect(await body.response.json()).toEqual({
      error: 'name: a name is needed',
      problems: [{ where: 'name', message: 'a name is needed' }],
    });
});
test('too long by its own account is refused unread', async () =>
  expect(await statusOf(ask('{}', { 'content-length': '99999999' }), 1000)).toBe(413));
test('too long without saying so is cut off', async () => expect(await statusOf(ask(endless()), 200_000)).toBe(413));
test('letters cut in two between chunks are put together', async () => {
  const bytes = new TextEncoder().encode('é');
  const stream = new ReadableStream<Uint8Array>({
    start(c) {
      c.enqueue(bytes.slice(0, 1));
      c.enqueue(bytes.slice(1));
      c.close();
    },
  });
  expect(await readText(ask(stream), 100)).toEqual({ ok: true, value: 'é' });
});
test('a bug becomes a plain message, not a page', async () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const answer = await guarded(() => {
    throw new Error('bug');
  });
  expect(answer.status).toBe(500);
  expect(await answer.json()).toMatchObject({ error: expect.stringContaining('nothing was changed') as string });
  quiet.mockRestore();
});

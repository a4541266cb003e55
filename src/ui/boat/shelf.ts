/** The firm's shelf from a window: asked for when it is opened, put back whole. */
import { useCallback, useEffect, useState } from 'react';

export interface OnShelf<T> {
  readonly revision: number;
  readonly item: T;
}

export interface Shelf<T> {
  /** null until the server has answered. */
  readonly items: readonly OnShelf<T>[] | null;
  readonly problem: string | null;
  readonly put: (item: T, seen: number | null) => Promise<boolean>;
  readonly take: (id: string) => Promise<void>;
  readonly reload: () => Promise<void>;
}

async function answerOf<T>(url: string, init?: RequestInit): Promise<{ ok: boolean; body: (T & { error?: string }) | null }> {
  const answer = await fetch(url, init).catch(() => null);
  if (!answer) return { ok: false, body: null };
  return { ok: answer.ok, body: (await answer.json().catch(() => null)) as (T & { error?: string }) | null };
}

export function useShelf<T extends { readonly id: string; readonly name: string }>(
  kind: 'card' | 'house' | 'line' | 'reel' | 'article',
): Shelf<T> {
  const [items, setItems] = useState<readonly OnShelf<T>[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const url = `/api/shelf/${kind}`;
  const show = useCallback(({ ok, body }: { ok: boolean; body: readonly OnShelf<T>[] | null }) => {
    if (ok && body) setItems(body);
    else setProblem('The server does not answer.');
  }, []);
  const reload = useCallback(async () => show(await answerOf<readonly OnShelf<T>[]>(url)), [url, show]);
  useEffect(() => {
    let live = true;
    void answerOf<readonly OnShelf<T>[]>(url).then((answer) => {
      if (live) show(answer);
    });
    return () => {
      live = false;
    };
  }, [url, show]);
  const put = useCallback(
    async (item: T, seen: number | null) => {
      const { ok, body } = await answerOf<{ theirs?: OnShelf<T> }>(url, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ item, seen }),
      });
      setProblem(ok ? null : `${item.name} was not kept: ${body?.error ?? 'the server does not answer'}. What is there now is shown.`);
      await reload();
      return ok;
    },
    [url, reload],
  );
  const remove = useCallback(
    async (id: string) => {
      const { ok, body } = await answerOf(`${url}/${id}`, { method: 'DELETE' });
      setProblem(ok ? null : (body?.error ?? 'The server does not answer.'));
      await reload();
    },
    [url, reload],
  );
  return { items, problem, put, take: remove, reload };
}

/** Who is looking at which boat: every applied edit is told to all windows of this server. */
import type { EditRecord } from './boats';

type Listener = (record: EditRecord) => void;
const shared = globalThis as { solenixListeners?: Map<string, Set<Listener>> };
const listeners = (shared.solenixListeners ??= new Map<string, Set<Listener>>());

export function listen(boatId: string, listener: Listener): () => void {
  const set = listeners.get(boatId) ?? new Set();
  listeners.set(boatId, set.add(listener));
  return () => {
    set.delete(listener);
    if (set.size === 0) listeners.delete(boatId);
  };
}

export function tell(boatId: string, record: EditRecord): void {
  for (const listener of listeners.get(boatId) ?? []) listener(record);
}

/** Who is looking at which boat: all windows of this server are told that something was applied, and read it from the file. */

type Listener = () => void;
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

export function tell(boatId: string): void {
  for (const listener of listeners.get(boatId) ?? []) listener();
}

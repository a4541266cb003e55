/** This device, as the history tells it: an id of its own, and the name its user gave once. */

export interface Who {
  readonly device: string;
  readonly name: string | null;
}

const KEY = 'solenix-who';
/** Where nothing may be kept, the device is this page. */
let unkept: Who | null = null;
const listeners = new Set<() => void>();

export function who(): Who {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Who | null;
    if (kept && typeof kept.device === 'string') return kept;
    const made: Who = { device: crypto.randomUUID(), name: null };
    localStorage.setItem(KEY, JSON.stringify(made));
    return made;
  } catch {
    return (unkept ??= { device: crypto.randomUUID(), name: null });
  }
}

/** The name that stands in the history from now on. */
export function nameDevice(name: string): void {
  const named: Who = { ...who(), name: name.trim().slice(0, 60) || null };
  try {
    localStorage.setItem(KEY, JSON.stringify(named));
  } catch {
    unkept = named;
  }
  for (const listener of listeners) listener();
}

/** Told when the name changes. */
export function watchName(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

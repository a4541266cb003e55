/** Moving taps within and between circuits: the lists as they become. */
import type { Circuit, Tap } from '@/core/design';

type Taps = Circuit['taps'];

/** Without one tap; what hung on it hangs on what it hung on. */
export const withoutTap = (taps: Taps, id: string): Tap[] => {
  const gone = taps.find((t) => t.id === id);
  return taps.filter((t) => t.id !== id).map((t) => (t.parent === id ? { ...t, parent: gone?.parent ?? null } : t));
};

/** With a tap added at the far end of the run; its taped length no longer holds. */
export const withTap = (taps: Taps, tap: Tap): Tap[] => {
  const id = taps.some((t) => t.id === tap.id) ? `${tap.id}x`.slice(0, 40) : tap.id;
  return [...taps, { ...tap, id, parent: taps[taps.length - 1]?.id ?? null, tapedM: null }];
};

/** The tap one earlier or later along a simple run; every tap hangs on the one before it afterwards. */
export function shifted(taps: Taps, id: string, by: -1 | 1): Tap[] | null {
  const at = taps.findIndex((t) => t.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= taps.length) return null;
  const order = [...taps];
  const [tap] = order.splice(at, 1) as [Tap];
  order.splice(to, 0, tap);
  return order.map((t, i) => ({
    ...t,
    parent: order[i - 1]?.id ?? null,
    tapedM: t.parent === (order[i - 1]?.id ?? null) ? t.tapedM : null,
  }));
}

/** Hangs a tap on another one, or on the way itself: a branch of the run. null when that would close a ring. */
export function hungOn(taps: Taps, id: string, parent: string | null): Tap[] | null {
  for (let at = parent; at !== null; at = taps.find((t) => t.id === at)?.parent ?? null) if (at === id) return null;
  const moved = taps.map((t) => (t.id === id ? { ...t, parent, tapedM: null } : t));
  const placed: Tap[] = [];
  while (placed.length < moved.length) {
    const next = moved.find((t) => !placed.includes(t) && (t.parent === null || placed.some((p) => p.id === t.parent)));
    if (!next) return null;
    placed.push(next);
  }
  return placed;
}

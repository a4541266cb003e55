/** Banks, panels and the engine as small signs where they stand, on plan and profile. */
import { type Design, rowOf } from '@/core/design';

export interface Aboard {
  readonly kind: 'bank' | 'panel' | 'engine';
  readonly name: string;
}

/** By place what stands there; the engine in the first engine space of a boat whose engine does electrical work. */
export function aboardAt({ banks, panels, places, sources, loads }: Design): ReadonlyMap<string, readonly Aboard[]> {
  const at = new Map<string, Aboard[]>();
  const put = (placeId: string | null | undefined, thing: Aboard) => {
    if (placeId && rowOf(places, placeId)) at.set(placeId, [...(at.get(placeId) ?? []), thing]);
  };
  const engine = sources.some((s) => s.kind === 'alternator') || loads.some((l) => l.kind === 'starter');
  if (engine) put(places.find((p) => p.engineSpace)?.id, { kind: 'engine', name: 'engine' });
  for (const { name, placeId } of banks) put(placeId, { kind: 'bank', name });
  for (const { name, placeId } of panels) put(placeId, { kind: 'panel', name });
  return at;
}

export const SIGN_HEIGHT = 12;
const PITCH = 15;

const BODIES: Readonly<Record<Aboard['kind'], string>> = {
  bank: 'M-5.5 -2H5.5V5H-5.5ZM-3.5 -2V-4M3.5 -2V-4',
  panel: 'M-4 -5H4V5H-4ZM-2 -2H2M-2 0.5H2M-2 3H2',
  engine: 'M-5.5 -1.5H-2V-4H3V-1.5H5.5V4.5H-5.5ZM-6.8 1.5H-5.5',
};

/** @param x, y the middle of the mark they stand under. */
export function AboardSigns({ things, x, y }: { things: readonly Aboard[]; x: number; y: number }) {
  const first = x - ((things.length - 1) * PITCH) / 2;
  return things.map((t, i) => (
    <g
      key={`${t.kind} ${t.name}`}
      transform={`translate(${(first + i * PITCH).toFixed(1)} ${(y + SIGN_HEIGHT).toFixed(1)})`}
      data-aboard={t.kind}
    >
      <title>{t.name}</title>
      <path d={BODIES[t.kind]} fill="var(--sheet)" stroke="var(--quiet)" strokeWidth={1.2} />
    </g>
  ));
}

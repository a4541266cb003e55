'use client';
import type { AcSource } from '@/core/design';
import { useFreshId } from '@/ui/boat/context';
import { Figure } from '@/ui/field';

type List = NonNullable<AcSource['inverter']>['surges'];

/** What an inverter bears for a time, point by point. */
export function Surges({ surges, onChange }: { surges: List; onChange: (surges: List) => void }) {
  const fresh = useFreshId();
  const set = (id: string, change: Partial<List[number]>) => onChange(surges.map((s) => (s.id === id ? { ...s, ...change } : s)));
  return (
    <div className="mt-2 flex flex-wrap items-end gap-4">
      <span className="pb-1 text-quiet">bears for a time</span>
      {surges.map((s) => (
        <div key={s.id} className="flex items-end gap-1">
          <div className="w-[84px]">
            <Figure label="VA" kind="none" value={s.va} low={0} high={100000} onChange={(va) => set(s.id, { va })} />
          </div>
          <div className="w-[64px]">
            <Figure label="for" kind="s" value={s.s} low={0.01} high={7200} onChange={(seconds) => set(s.id, { s: seconds })} />
          </div>
          <button
            type="button"
            className="plain pb-1"
            aria-label={`remove the surge of ${s.va} VA`}
            onClick={() => onChange(surges.filter((x) => x.id !== s.id))}
          >
            ×
          </button>
        </div>
      ))}
      {surges.length < 6 ? (
        <button type="button" className="plain pb-1" onClick={() => onChange([...surges, { id: fresh('s'), s: 5, va: 0 }])}>
          add one
        </button>
      ) : null}
    </div>
  );
}

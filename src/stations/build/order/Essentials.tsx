'use client';
import type { Order } from '@/core/order';
import { useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';

/** What must be live each evening: the usual ones, until somebody says. */
export function Essentials({ order }: { order: Order }) {
  const design = useDesign();
  const put = usePut();
  const ids = order.essentials.map((e) => e.id);
  const others = design.loads.filter((l) => !ids.includes(l.id));
  const set = (next: readonly string[]) => put(['work', 'essentials'], next, 'essentials of the evening');
  return (
    <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
      <span className="text-quiet">every evening{design.work.essentials === null ? ', as is usual' : ''}:</span>
      {order.essentials.map((e) => (
        <span key={e.id}>
          {e.name}{' '}
          <button
            type="button"
            className="plain"
            aria-label={`${e.name} need not be live`}
            onClick={() => set(ids.filter((id) => id !== e.id))}
          >
            ×
          </button>
        </span>
      ))}
      <select className="box" aria-label="Another essential" value="" onChange={(e) => set([...ids, e.target.value])}>
        <option value="">another …</option>
        {others.map((l) => (
          <option key={l.id} value={l.id}>
            {l.name}
          </option>
        ))}
      </select>
    </div>
  );
}

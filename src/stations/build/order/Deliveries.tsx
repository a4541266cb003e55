'use client';
import { useState } from 'react';
import { setOp } from '@/core/design';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';

const MOST = 40;

/** What comes later: its circuits wait for the day it comes. */
export function Deliveries() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const { deliveries } = design.work;
  const [what, setWhat] = useState('');
  const [day, setDay] = useState('2');
  const put = (next: typeof deliveries, label: string) => store.edit(label, [setOp(design, ['work', 'deliveries'], next)]);
  const number = Number(day);
  const sound = what.trim() !== '' && Number.isInteger(number) && number >= 1 && number <= 400;
  const add = () => {
    if (!sound) return;
    put([...deliveries, { id: fresh('dl'), what: what.trim().slice(0, 120), circuitIds: [], day: number }], `delivery: ${what.trim()}`);
    setWhat('');
  };
  return (
    <section className="screen-only mt-2" aria-label="Deliveries">
      <ul>
        {deliveries.map((d) => (
          <li key={d.id} className="flex flex-wrap items-baseline gap-3 border-b border-line py-1">
            <span>
              {d.what} on day {d.day}, for{' '}
              {d.circuitIds.length === 0
                ? 'no circuit yet'
                : d.circuitIds.map((id) => design.circuits.find((c) => c.id === id)?.name ?? id).join(', ')}
            </span>
            <select
              className="box"
              aria-label={`Another circuit waits for ${d.what}`}
              value=""
              onChange={(e) =>
                put(
                  deliveries.map((x) => (x.id === d.id ? { ...x, circuitIds: [...x.circuitIds, e.target.value] } : x)),
                  `what waits for ${d.what}`,
                )
              }
            >
              <option value="">a circuit waits for it …</option>
              {design.circuits
                .filter((c) => !d.circuitIds.includes(c.id))
                .map((c) => (
                  <option key={c.id} value={c.id}>
                    {`${c.no} ${c.name}`.trim()}
                  </option>
                ))}
            </select>
            <button
              type="button"
              className="plain"
              onClick={() =>
                put(
                  deliveries.filter((x) => x.id !== d.id),
                  `no delivery: ${d.what}`,
                )
              }
            >
              it is here: {d.what}
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-1 flex flex-wrap items-baseline gap-3">
        <label>
          what comes later <input className="box w-[220px]" maxLength={120} value={what} onChange={(e) => setWhat(e.target.value)} />
        </label>
        <label>
          on day{' '}
          <input
            className="box reading w-[60px]"
            inputMode="numeric"
            value={day}
            aria-invalid={!sound && what !== ''}
            onChange={(e) => setDay(e.target.value)}
          />
        </label>
        <button type="button" className="act" disabled={!sound || deliveries.length >= MOST} onClick={add}>
          wait for it
        </button>
      </p>
    </section>
  );
}

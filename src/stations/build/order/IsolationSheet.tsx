'use client';
import { useState } from 'react';
import type { Isolation, Step } from '@/core/order';
import { useAsked, useDesign } from '@/ui/boat/context';

/** What is opened before work on a circuit or on everything, in order, and the way back. */
export function IsolationSheet() {
  const design = useDesign();
  const [of, setOf] = useState('');
  const isolation = useAsked<Isolation>(`isolation:${of}`, (r) => r.isolation(of === '' ? [] : [of]));
  return (
    <section className="mt-6" aria-label="Isolation">
      <div className="flex items-baseline gap-3">
        <h2 className="font-semibold">Isolation before work on</h2>
        <select className="box" aria-label="Isolate for" value={of} onChange={(e) => setOf(e.target.value)}>
          <option value="">everything aboard</option>
          {design.circuits.map((c) => (
            <option key={c.id} value={c.id}>
              {c.no} {c.name}
            </option>
          ))}
          {design.leads.map((l) => (
            <option key={l.id} value={l.id}>
              {l.name}
            </option>
          ))}
          {design.acCircuits.map((c) => (
            <option key={c.id} value={c.id}>
              AC {c.no} {c.name}
            </option>
          ))}
        </select>
      </div>
      {isolation ? (
        <>
          {isolation.cannot.map((c) => (
            <p key={c.id} role="alert" className="mt-1 font-semibold text-lead">
              {c.name}: {c.why}.
            </p>
          ))}
          <div className="mt-2 grid max-w-[1100px] grid-cols-2 gap-8 max-[900px]:grid-cols-1">
            <List title="Open, in this order" steps={isolation.steps} />
            <List title="Close again, in this order" steps={isolation.back} />
          </div>
        </>
      ) : null}
    </section>
  );
}

function List({ title, steps }: { title: string; steps: readonly Step[] }) {
  return (
    <div>
      <h3 className="font-semibold">{title}</h3>
      <ol className="mt-1 list-decimal pl-5">
        {steps.map((s) => (
          <li key={s.id} className="mt-[2px]">
            {s.do} <span className="text-[12px] text-quiet">{s.why}</span>
          </li>
        ))}
      </ol>
    </div>
  );
}

'use client';
import { useState } from 'react';
import type { Photo } from '@/core/design';
import { useDesign } from '@/ui/boat/context';
import { Photos } from '@/ui/photos/Photos';

type Kind = Exclude<Photo['about']['kind'], 'test'>;

/** Every picture aboard, by what it shows. */
export function Gallery() {
  const design = useDesign();
  const things: readonly { kind: Kind; id: string; name: string }[] = [
    { kind: 'boat', id: 'boat', name: design.boat.name },
    ...design.places.map((p) => ({ kind: 'place' as const, id: p.id, name: p.name })),
    ...design.banks.map((b) => ({ kind: 'bank' as const, id: b.id, name: b.name })),
    ...design.panels.map((p) => ({ kind: 'panel' as const, id: p.id, name: p.name })),
    ...design.circuits.map((c) => ({ kind: 'circuit' as const, id: c.id, name: `${c.no} ${c.name}`.trim() })),
    ...design.loads.map((l) => ({ kind: 'load' as const, id: l.id, name: l.name })),
  ];
  const keyOf = (t: { kind: string; id: string }) => `${t.kind}:${t.id}`;
  const [added, setAdded] = useState<string>('boat:boat');
  const ofTests = design.photos.filter((p) => p.about.kind === 'test').length;
  const shown = new Set([...design.photos.map((p) => keyOf(p.about)), added]);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4" tabIndex={0}>
      <p className="max-w-[640px] text-quiet">
        Before anything comes apart: how it was routed, every end, every label. Pictures are made smaller, kept beside the database, and go
        with the boat in the zip file.{ofTests > 0 ? ` ${ofTests} more with readings: Commission, test sheet.` : ''}
      </p>
      <label className="mt-2 flex items-baseline gap-2">
        a picture of
        <select className="box w-[220px]" value={added} onChange={(e) => setAdded(e.target.value)}>
          {things.map((t) => (
            <option key={keyOf(t)} value={keyOf(t)}>
              {t.kind === 'boat' ? 'the whole boat' : `${t.kind}: ${t.name}`}
            </option>
          ))}
        </select>
      </label>
      {things
        .filter((t) => shown.has(keyOf(t)))
        .map((t) => (
          <section key={keyOf(t)} className="mt-3 border-t border-line">
            <h2 className="pt-1 font-semibold">{t.name}</h2>
            <Photos about={{ kind: t.kind, id: t.id }} of={t.name} />
          </section>
        ))}
    </div>
  );
}

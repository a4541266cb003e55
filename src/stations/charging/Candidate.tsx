'use client';
import { rowOf, type Source, takeCandidate } from '@/core/design';
import { show } from '@/core/quantity';
import { useAsked, useDesign, useStore } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';

/** A source that may take another's place: what it would change, and the step that takes it. It is counted nowhere until then. */
export function Candidate({ source }: { source: Source }) {
  const design = useDesign();
  const store = useStore();
  const compared = useAsked(`candidate:${source.id}`, (r) => r.candidate(source.id));
  const was = rowOf(design.sources, source.insteadOfId);
  if (!was) return null;
  const take = () => {
    const ops = takeCandidate(design, source.id);
    if (ops) store.edit(`${source.name} instead of ${was.name}`, ops);
  };
  return (
    <section className="mt-4 max-w-[900px]" aria-label={`${source.name} instead of ${was.name}`}>
      <div className="flex items-baseline gap-4 border-b border-line pb-1">
        <h3 className="flex-1 font-semibold">
          {source.name} instead of {was.name}
        </h3>
        <button type="button" className="act" onClick={take}>
          take it in its place
        </button>
      </div>
      <p className="mt-1 text-quiet">
        A candidate is counted nowhere: it is compared. Taken, it gets the bank, the cable and the AC side of {was.name}, which becomes the
        candidate.
      </p>
      {compared ? (
        <>
          <Plain
            label={`With ${source.name}`}
            columns={[{ title: 'what' }, { title: `with ${was.name}`, right: true }, { title: `with ${source.name}`, right: true }]}
            rows={[
              ...compared.lines.map((l) => ({ id: l.what, cells: [l.what, l.a, l.b] })),
              ...compared.changes.map((c) => ({ id: c.circuitId, cells: [`cable of ${`${c.no} ${c.name}`.trim()}`, c.from, c.to] })),
            ]}
          />
          {compared.lines.length === 0 ? <p className="mt-1">No figure changes.</p> : null}
          {compared.brings.length > 0 ? (
            <p className="mt-2">
              <b className="font-semibold">It brings</b> {compared.brings.map((f) => f.title).join('; ')}.
            </p>
          ) : null}
          {compared.settles.length > 0 ? (
            <p className="mt-2">
              <b className="font-semibold">It settles</b> {compared.settles.map((f) => f.title).join('; ')}.
            </p>
          ) : null}
          {source.price !== null && was.price !== null ? (
            <p className="mt-2 text-quiet">
              Price as typed: {Math.round(was.price)} and {Math.round(source.price)} {design.boat.currency}; mass{' '}
              {was.massKg === null ? 'not known' : show(was.massKg, 'kg', design.boat)} and{' '}
              {source.massKg === null ? 'not known' : show(source.massKg, 'kg', design.boat)}.
            </p>
          ) : null}
        </>
      ) : (
        <p className="mt-2 text-quiet">Calculating.</p>
      )}
    </section>
  );
}

'use client';
import type { Chapter } from '@/core/keep';
import { show } from '@/core/quantity';
import { useAsked, useBoat, useDesign } from '@/ui/boat/context';

/** What the owner gets, to be printed: this boat's own switches, alarms and habits, in plain words. */
export function OwnersBook() {
  const { boat } = useDesign();
  const revision = useBoat((s) => s.revision);
  const book = useAsked<readonly Chapter[]>('owner’s book', (r) => r.ownersBook());
  if (!book) return <p className="text-quiet">Writing it.</p>;
  return (
    <article className="max-w-[760px]">
      <div className="flex items-baseline gap-4">
        <h2 className="text-[18px] font-bold">{boat.name}</h2>
        <span className="text-quiet">
          {show(boat.lengthM, 'm', boat)}, {boat.systemV} V; as of revision {revision}
        </span>
        <button type="button" className="act screen-only ml-auto" onClick={() => window.print()}>
          print
        </button>
      </div>
      <p className="caution mt-2">
        This tells how she is meant to be used. It is no leave to open anything: work on her wiring is for who is competent and, on AC,
        licensed.
      </p>
      {book.length === 0 ? <p className="mt-3 text-quiet">Nothing is aboard yet that an owner would have to know of.</p> : null}
      {book.map((c) => (
        <section key={c.title} className="keep mt-4">
          <h3 className="text-[15px] font-semibold">{c.title}</h3>
          <ul className="mt-1 list-disc pl-5">
            {c.lines.map((l, i) => (
              <li key={`${c.title}-${i}`} className="mt-[2px]">
                {l.text}
              </li>
            ))}
          </ul>
        </section>
      ))}
    </article>
  );
}

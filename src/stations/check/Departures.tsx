'use client';
import { dropOp } from '@/core/design';
import { useDesign, useFindings, useStore } from '@/ui/boat/context';

/** What somebody answers for: accepted, or said not to apply, with who, why and when; and whether it still stands. */
export function Departures() {
  const design = useDesign();
  const findings = useFindings();
  const store = useStore();
  const standing = new Map(findings.map((f) => [f.id, f]));
  if (design.departures.length === 0)
    return (
      <p className="mt-4 max-w-[600px]">
        None. When a finding is to stand (a maker&apos;s sheet or a rule departed from on purpose), accept it: what, why, and who answers
        for it; or say that it does not apply here. They are listed here and printed with the build, and open again when what they go by
        changes.
      </p>
    );
  return (
    <ul className="mt-4">
      {design.departures.map((d) => {
        const finding = standing.get(d.findingId);
        return (
          <li key={d.id} className="border-b border-line py-2">
            <b className="font-semibold">{d.what}</b>
            {finding ? null : <span className="ml-3 text-quiet">its cause is gone: it may be taken off</span>}
            {finding?.lapsed ? <span className="ml-3 text-copper">open again: what it goes by has changed</span> : null}
            <p className="max-w-[720px]">
              {d.why}{' '}
              <span className="text-quiet">
                {d.kind === 'does not apply' ? 'Does not apply here, says' : 'Accepted by'} {d.acceptedBy}, {d.on}.
              </span>
            </p>
            <button
              type="button"
              className="plain"
              onClick={() => store.edit(`no longer accept: ${d.what}`, [dropOp(design, 'departures', d.id)])}
            >
              accept it no longer
            </button>
          </li>
        );
      })}
    </ul>
  );
}

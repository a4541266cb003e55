'use client';
import { rowOf } from '@/core/design';
import { useDesign, useFindings, useSelected, useWorking } from '@/ui/boat/context';
import { Remedies } from '../remedies/Remedies';
import { Sections } from './Sections';

/** The arithmetic behind whatever is selected, as in a notebook. */
export function WorkingPanel() {
  const working = useWorking();
  const [selected, select] = useSelected();
  const findings = useFindings();
  const design = useDesign();
  if (!selected || !working)
    return (
      <aside
        aria-label="The working"
        className="screen-only flex w-[34px] flex-none justify-center overflow-hidden border-l border-line py-4 max-[999px]:hidden"
      >
        <p className="text-[12px] whitespace-nowrap text-quiet [writing-mode:vertical-rl]">
          <b className="font-semibold text-ink">The working</b>: choose a row, or a figure above, and its arithmetic opens here
        </p>
      </aside>
    );
  const about = findings.filter(
    (f) =>
      f.about.id === selected.id ||
      (selected.kind === 'circuit' &&
        rowOf(design.circuits, selected.id)?.taps.some((t) => t.serves.id === f.about.id && f.about.kind === 'load')),
  );
  return (
    <aside
      aria-label="The working"
      aria-live="polite"
      tabIndex={0}
      className="screen-only w-[322px] flex-none overflow-y-auto border-l border-line p-4 max-[999px]:fixed max-[999px]:inset-x-0 max-[999px]:bottom-[44px] max-[999px]:z-20 max-[999px]:max-h-[46vh] max-[999px]:w-full max-[999px]:border-t-[1.5px] max-[999px]:border-ink max-[999px]:bg-film"
    >
      <div className="mb-1 flex items-baseline justify-between gap-3">
        <h2 className="text-[14px] font-bold">{working.title}</h2>
        <button type="button" className="plain flex-none" onClick={() => select(null)}>
          close
        </button>
      </div>
      {about.map((f) => (
        <div key={f.id} className={`my-2 ${f.severity === 'note' || f.accepted ? 'border-l-4 border-line pl-[10px]' : 'caution'}`}>
          <b className="font-semibold">
            {f.severity}: {f.title}
          </b>
          <p className="text-[12px]">
            {f.accepted ? `Accepted by ${f.accepted.by}: ${f.accepted.why}` : f.why} <i>{f.accepted ? '' : f.todo}</i>
          </p>
          {f.accepted ? null : <Remedies finding={f} name={`${working.title}: ${f.title}`} />}
        </div>
      ))}
      {working.neighbours.length > 0 ? (
        <div className="my-3 grid border border-ink" style={{ gridTemplateColumns: `repeat(${working.neighbours.length}, 1fr)` }}>
          {working.neighbours.map((n) => (
            <div
              key={n.label}
              className={`border-l border-line p-2 first:border-l-0 ${n.label === 'chosen' || n.label === 'pinned' || n.label === 'as found' ? 'bg-wash' : ''}`}
            >
              <div className="text-[11.5px] text-quiet">{n.label}</div>
              <div className={`reading font-semibold ${n.label === 'pinned' ? 'text-copper' : ''}`}>{n.size}</div>
              {n.figures.map((f) => (
                <div key={f} className={`text-[11.5px] ${f.startsWith('fails') ? 'text-lead' : 'text-quiet'}`}>
                  {f}
                </div>
              ))}
            </div>
          ))}
        </div>
      ) : null}
      {working.margins.length > 0 ? (
        <p className="mb-2">
          Good to <span className="reading font-semibold">{working.margins.join(', ')}</span>
        </p>
      ) : null}
      {working.cautions.map((c) => (
        <p key={c} className="caution my-2">
          {c}
        </p>
      ))}
      <Sections sections={working.sections} />
      <ul aria-label="Where figures come from" className="mt-5 space-y-1 border-t border-line pt-2 text-[12px] text-quiet">
        <li className="tone-measured">measured aboard</li>
        <li>the maker&apos;s figure</li>
        <li>
          <span className="tone-typical">typical of its kind</span>
        </li>
        <li>
          <span className="tone-estimated">estimated or assumed</span>
        </li>
      </ul>
    </aside>
  );
}

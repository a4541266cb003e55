'use client';
import { useState } from 'react';
import { AREAS, type Audited, auditOf, type Standing } from '@/core/check';
import { nameOf } from '@/core/design';
import { useDesign, useFindings } from '@/ui/boat/context';

const WORDS: Readonly<Record<Standing, string>> = {
  stop: 'stop',
  fix: 'fix',
  asks: 'facts missing',
  note: 'note',
  accepted: 'accepted',
  'nothing found': 'nothing found',
  'by eyes': 'not from here',
  'not aboard': 'not aboard',
};

/** The audit a surveyor would make, line by line: what is open, accepted, unknown, and what only somebody aboard can say. */
export function AuditView() {
  const findings = useFindings();
  const design = useDesign();
  const [only, setOnly] = useState<'all' | 'open' | 'clear'>('all');
  const audit = auditOf(design, findings);
  const count = (s: Standing) => audit.filter((l) => l.standing === s).length;
  const shown = (l: Audited) =>
    only === 'all' ||
    (only === 'open' ? ['stop', 'fix', 'asks', 'note'].includes(l.standing) : !['stop', 'fix', 'asks', 'note'].includes(l.standing));
  return (
    <div className="max-w-[940px]">
      <p className="mt-3 flex flex-wrap items-baseline gap-x-4">
        {(['stop', 'fix', 'asks', 'note', 'accepted', 'nothing found', 'not aboard', 'by eyes'] as const).map((s) => (
          <span key={s}>
            <b className={`reading font-semibold ${s === 'stop' && count(s) > 0 ? 'text-lead' : ''}`}>{count(s)}</b> {WORDS[s]}
          </span>
        ))}
        <label className="screen-only ml-auto">
          lines{' '}
          <select className="box" value={only} onChange={(e) => setOnly(e.target.value as typeof only)}>
            <option value="all">all {audit.length}</option>
            <option value="open">with something open</option>
            <option value="clear">with nothing open</option>
          </select>
        </label>
      </p>
      <p className="text-[12px] text-quiet">
        “Nothing found” is said of what is entered; what is not entered is not tested (what is missing). Lines nobody can answer from here
        are asked on the walk-round or measured at the boat.
      </p>
      {AREAS.map((area) => {
        const lines = audit.filter((l) => l.area === area && shown(l));
        return lines.length === 0 ? null : (
          <section key={area} className="mt-4">
            <h2 className="border-b-[1.5px] border-ink pb-1 font-semibold">{area}</h2>
            <ul>
              {lines.map((l) => (
                <Line key={l.line} line={l} />
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

function Line({ line }: { line: Audited }) {
  const design = useDesign();
  const strong = line.standing === 'stop' || line.standing === 'fix';
  return (
    <li className="flex items-baseline gap-4 border-b border-line py-1">
      <div className="min-w-0 flex-1">
        {line.line}
        {line.eyes ? <span className="text-quiet">; {line.eyes}</span> : null}
        {line.open.length > 0 ? (
          <details>
            <summary className="cursor-pointer text-quiet">
              {line.open.length} open{line.accepted.length > 0 ? `, ${line.accepted.length} accepted` : ''}
            </summary>
            <ul className="pl-4">
              {line.open.map((f) => (
                <li key={f.id}>
                  {f.severity}: {nameOf(design, f.about)}: {f.title}
                </li>
              ))}
            </ul>
          </details>
        ) : null}
      </div>
      <span className={`flex-none ${strong ? 'font-semibold' : 'text-quiet'} ${line.standing === 'stop' ? 'text-lead' : ''}`}>
        {WORDS[line.standing]}
      </span>
    </li>
  );
}

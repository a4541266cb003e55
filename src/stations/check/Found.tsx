'use client';
import { useState } from 'react';
import type { Finding } from '@/core';
import { nameOf } from '@/core/design';
import { useAsked, useDesign, useFindings } from '@/ui/boat/context';
import { useRecorded } from '@/ui/boat/useRecorded';
import { Accept } from './Accept';
import { FindingsList } from './FindingsList';
import { type Grouping, GROUPINGS } from './groups';

const BY: Readonly<Record<Grouping, string>> = { severity: 'how grave', station: 'station', place: 'place', area: 'line of the audit' };

/** The findings, searched and grouped; each opens the row it is about, and may be put right or accepted. */
export function Found({ asFound, someFound }: { asFound: boolean; someFound: boolean }) {
  const findings = useFindings();
  const design = useDesign();
  const [accepting, setAccepting] = useState<Finding | null>(null);
  const [by, setBy] = useState<Grouping>('severity');
  const [words, setWords] = useState('');
  const before = useAsked(someFound ? 'before' : null, (r) => r.before());
  const tests = useRecorded();
  const open = [...findings.filter((f) => !f.accepted), ...tests];
  const list = asFound ? (before ?? []) : open;
  const sought = words.trim().toLowerCase();
  const shown =
    sought === ''
      ? list
      : list.filter((f) => `${nameOf(design, f.about)} ${f.title} ${f.why} ${f.todo} ${f.rule}`.toLowerCase().includes(sought));
  const count = (of: readonly Finding[], severity: Finding['severity']) => of.filter((f) => f.severity === severity).length;
  return (
    <>
      <p className="mt-1 max-w-[640px] text-quiet">
        Every rule the program knows, asked of the design. Local code, the maker&apos;s instructions and licensed practice come first; an
        empty list is no certificate.
      </p>
      <p className="screen-only mt-2 flex flex-wrap items-baseline gap-4">
        <label>
          by{' '}
          <select className="box" value={by} onChange={(e) => setBy(e.target.value as Grouping)}>
            {GROUPINGS.map((g) => (
              <option key={g} value={g}>
                {BY[g]}
              </option>
            ))}
          </select>
        </label>
        <input
          className="box w-[220px]"
          type="search"
          aria-label="Search the findings"
          placeholder="search the findings"
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        {sought === '' ? null : (
          <span className="text-quiet">
            {shown.length} of {list.length}
          </span>
        )}
      </p>
      {before ? (
        <table className="mt-3" aria-label="Before and after">
          <tbody>
            {(
              [
                ['as found', before],
                ['as decided', open],
              ] as const
            ).map(([name, rows]) => (
              <tr key={name} className="border-b border-line">
                <th className="pr-6 text-left font-medium">{name}</th>
                {(['stop', 'fix', 'note'] as const).map((s) => (
                  <td key={s} className="pr-6">
                    <b className={`reading font-semibold ${s === 'stop' && count(rows, s) > 0 ? 'text-lead' : ''}`}>{count(rows, s)}</b> {s}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <FindingsList list={shown} by={by} {...(asFound ? {} : { onAccept: setAccepting })} />
      {accepting ? <Accept finding={accepting} onClose={() => setAccepting(null)} /> : null}
    </>
  );
}

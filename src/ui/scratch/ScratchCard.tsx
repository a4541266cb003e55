'use client';
import { useState } from 'react';
import type { ScratchResult } from '@/core/scratch';
import { choiceName, round3, show, type Units } from '@/core/quantity';
import { Sections } from '@/ui/working/Sections';

/** What a scratch line comes to: size, device, drop, what governs, and the working behind it. */
export function ScratchCard({ result, units }: { result: ScratchResult; units: Units }) {
  const [opened, setOpened] = useState(false);
  if (!result.ok)
    return (
      <p role="status" className="px-4 py-2 text-quiet">
        {result.message}
      </p>
    );
  const { result: circuit, findings, working, assumed, load } = result.answer;
  const { ladder, state, protection } = circuit.own;
  const worst = state.drop.worst;
  return (
    <div role="status" aria-label="Scratch answer" className="border-b border-line px-4 py-2">
      <p className="text-[15px]">
        <b className="reading text-[16px] font-semibold">{ladder.proposed ? choiceName(ladder.chosen) : 'no size in the table'}</b>,{' '}
        <b className="reading text-[16px] font-semibold">{round3(protection.ratingA)} A</b> {protection.familyName}
        {worst ? (
          <>
            , <b className={`reading font-semibold ${worst.pct > worst.limitPct ? 'text-lead' : ''}`}>{round3(worst.pct)} %</b> drop
          </>
        ) : null}
      </p>
      <p className="text-quiet">
        {load.quantity > 1 ? `${load.quantity} × ` : ''}
        {load.name}, {show(circuit.workingA, 'A', units)} over {show(circuit.lengthM, 'm', units)} and back; governed by {ladder.governs}
        {worst ? `, ${round3(worst.loadV)} V there` : ''}.
      </p>
      {working.beside ? <p className="text-quiet">{working.beside}</p> : null}
      <p className="text-[12px] text-faint">Taken for granted: {assumed.join('; ')}.</p>
      {ladder.proposed ? null : <p>{findings.find((f) => f.id.startsWith('fails-'))?.todo}</p>}
      {protection.conflict ? <p className="caution mt-1">{protection.conflict}</p> : null}
      <button type="button" className="plain mt-1" aria-expanded={opened} onClick={() => setOpened(!opened)}>
        the working
      </button>
      {opened ? (
        <div className="max-h-[34vh] overflow-y-auto" tabIndex={0}>
          <Sections sections={working.sections} />
          <p className="caution mt-2">
            For a competent person&apos;s use: local code, the maker&apos;s instructions and licensed practice come first.
          </p>
        </div>
      ) : null}
    </div>
  );
}

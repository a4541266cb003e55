'use client';
import { useState } from 'react';
import type { Finding } from '@/core';
import { addOp, BOUNDS, type Departure, dropOp, nameOf } from '@/core/design';
import { useAnalyser, useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { Dialog } from '@/ui/frame/Dialog';

/** A departure put on record: what is departed from, why, who answers for it. */
export function Accept({ finding, onClose }: { finding: Finding; onClose: () => void }) {
  const design = useDesign();
  const store = useStore();
  const freshId = useFreshId();
  const analyser = useAnalyser();
  const [why, setWhy] = useState('');
  const [acceptedBy, setAcceptedBy] = useState(design.departures[design.departures.length - 1]?.acceptedBy ?? '');
  const [kind, setKind] = useState<Departure['kind']>('accepted');
  const [on, setOn] = useState(() => new Date().toISOString().slice(0, 10));
  const what = `${nameOf(design, finding.about)}: ${finding.title}`.slice(0, 300);
  const missing =
    why.trim() === ''
      ? 'A reason is needed.'
      : acceptedBy.trim() === ''
        ? 'A name is needed.'
        : /^\d{4}-\d{2}-\d{2}$/.test(on)
          ? null
          : 'A date is needed.';
  const accept = async () => {
    if (design.departures.length >= BOUNDS.departures) return store.say('refused', `A boat holds at most ${BOUNDS.departures} departures.`);
    // What it goes by today: should that change, it is open again.
    const facts = await analyser.ask((r) => r.departureFacts(finding)).catch(() => null);
    if (facts === null) return store.say('refused', 'Not put on record: what it goes by could not be read just now. Try again.');
    const earlier = design.departures.filter((d) => d.findingId === finding.id);
    const departure: Departure = {
      id: freshId('D'),
      findingId: finding.id,
      what,
      why: why.trim(),
      acceptedBy: acceptedBy.trim(),
      on,
      kind,
      facts,
    };
    store.edit(`${kind === 'accepted' ? 'accept' : 'does not apply'}: ${what}`.slice(0, 200), [
      ...earlier.map((d) => dropOp(design, 'departures', d.id)),
      addOp({ ...design, departures: design.departures.filter((d) => !earlier.includes(d)) }, 'departures', departure),
    ]);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} title="Accept a departure" about={`${what}. ${finding.why}`}>
      {finding.severity === 'stop' ? (
        <p className="caution mb-3">
          This can hurt someone. Accepting it does not make it safe: local code, the maker&apos;s instructions and licensed practice come
          first.
        </p>
      ) : null}
      <fieldset className="mb-2 flex gap-4">
        <legend className="sr-only">How it stands</legend>
        {(['accepted', 'does not apply'] as const).map((k) => (
          <label key={k} className="flex items-baseline gap-2">
            <input type="radio" name="stands" checked={kind === k} onChange={() => setKind(k)} />
            {k === 'accepted' ? 'it is so, and accepted' : 'it does not apply to this boat'}
          </label>
        ))}
      </fieldset>
      <label className="block">
        why
        <textarea
          className="box mt-1 h-[72px] w-full"
          maxLength={BOUNDS.noteLength}
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          autoFocus
        />
      </label>
      <div className="mt-2 grid grid-cols-2 gap-3">
        <label>
          who accepts it
          <input
            className="box mt-1 w-full"
            maxLength={BOUNDS.nameLength}
            value={acceptedBy}
            onChange={(e) => setAcceptedBy(e.target.value)}
          />
        </label>
        <label>
          on
          <input className="box mt-1 w-full" type="date" value={on} onChange={(e) => setOn(e.target.value)} />
        </label>
      </div>
      <div className="mt-3 flex items-baseline gap-3">
        <button type="button" className="act" disabled={missing !== null} onClick={() => void accept()}>
          put it on record
        </button>
        <button type="button" className="plain" onClick={onClose}>
          leave it open
        </button>
        <span className="text-quiet">{missing}</span>
      </div>
    </Dialog>
  );
}

'use client';
import { useState } from 'react';
import { BANK_TROUBLES, type BankAsked, type BankDiagnosis, type BankReading, type BankSuspect, type BankTrouble } from '@/core/commission';
import { round3 } from '@/core/quantity';
import { BankSelect } from '@/ui/field/BankSelect';
import { useAsked, useDesign } from '@/ui/boat/context';
import { typed } from '@/ui/path/figures';
import { Plain } from '@/ui/table/Plain';

const AIR_C = 20;
const TROUBLES = Object.keys(BANK_TROUBLES) as BankTrouble[];

interface Taken extends BankReading {
  readonly what: string;
  readonly says: string;
}

/** How large a fault is taken to be. */
const sizeOf = ({ value, unit }: NonNullable<BankSuspect['size']>): string =>
  unit === 'missing'
    ? `about ${Math.round(20 * value) * 5} % of it missing`
    : `about ${round3(value)} ${unit}${unit === 'V' ? ' of 12' : ''}`;

/** A bank is flat too soon, not charged, or charged too hard: what it may be, and the reading that tells most for its minutes. */
export function BankFindView({ first }: { readonly first: BankTrouble | null }) {
  const design = useDesign();
  const [bankId, setBank] = useState(design.banks.find((b) => b.job === 'house')?.id ?? design.banks[0]?.id ?? '');
  const [chosen, setTrouble] = useState<BankTrouble | null>(null);
  const trouble = chosen ?? first ?? 'flat';
  const key = `${bankId} ${trouble}`;
  const [all, setAll] = useState<Readonly<Record<string, readonly Taken[]>>>({});
  const taken = all[key] ?? [];
  const readings: readonly BankReading[] = taken.map(({ probeId, value, choice }) => ({ probeId, value, choice }));
  const found = useAsked<BankDiagnosis>(bankId === '' ? null : `bank:${key}:${JSON.stringify(readings)}`, (r) =>
    r.bankFound(bankId, trouble, AIR_C, readings),
  );
  const set = (list: readonly Taken[]) => setAll({ ...all, [key]: list });
  if (design.banks.length === 0) return <p className="text-quiet">There is no bank yet.</p>;
  return (
    <section aria-label="A bank and what charges it">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <BankSelect label="bank" value={bankId} onChange={setBank} />
        <label>
          trouble{' '}
          <select className="box" value={trouble} onChange={(e) => setTrouble(e.target.value as BankTrouble)}>
            {TROUBLES.map((t) => (
              <option key={t} value={t}>
                {BANK_TROUBLES[t]}
              </option>
            ))}
          </select>
        </label>
      </div>
      {trouble === 'overcharged' ? (
        <p className="caution mt-2 max-w-[820px]">
          Charging off first. A lead-acid bank that boils gives explosive gas and acid: no spark, air in, eyes covered, let it cool. A
          lithium bank that is hot, swollen or smells is left alone: people off, and the maker asked.
        </p>
      ) : null}
      <div className="mt-3 grid grid-cols-2 gap-8 max-[1000px]:grid-cols-1">
        <section aria-label="Readings of the bank">
          {found ? <Ask key={taken.length} found={found} onTake={(t) => set([...taken, t])} first={taken.length === 0} /> : null}
          {taken.length > 0 ? (
            <>
              <h2 className="mt-4 font-semibold">Read so far</h2>
              <ul className="mt-1">
                {taken.map((t) => (
                  <li key={t.probeId}>
                    {t.what}: <b className="font-semibold">{t.says}</b>{' '}
                    <button type="button" className="plain screen-only" onClick={() => set(taken.filter((x) => x !== t))}>
                      take off
                    </button>
                  </li>
                ))}
              </ul>
            </>
          ) : null}
        </section>
        <section aria-label="Suspects of the bank">
          <h2 className="font-semibold">What it may be</h2>
          {found ? (
            <Plain
              label="What it may be"
              columns={[{ title: 'suspect' }, { title: 'likely', right: true }, { title: 'how much', right: true }]}
              rows={found.told
                .filter((s) => s.probability >= 0.01)
                .slice(0, 12)
                .map((s) => ({
                  id: s.id,
                  cells: [s.what, `${Math.round(100 * s.probability)} %`, s.size && s.probability >= 0.2 ? sizeOf(s.size) : '·'],
                }))}
            />
          ) : (
            <p className="text-quiet">Weighing what there is.</p>
          )}
          <p className="mt-2 text-[12px] text-quiet">
            Odds from what is usual, moved by each reading. A bad joint on the way is found along a path; two faults at once are not looked
            for here.
          </p>
        </section>
      </div>
    </section>
  );
}

/** The next reading, or another of those that can be taken. */
function Ask({ found, onTake, first }: { readonly found: BankDiagnosis; readonly onTake: (t: Taken) => void; readonly first: boolean }) {
  const [otherId, setOther] = useState<string | null>(null);
  const [text, setText] = useState('');
  const asked = found.asked.find((a) => a.id === otherId) ?? found.next ?? null;
  if (!asked)
    return found.asked.length > 0 ? (
      <>
        <p>No reading here tells much more.</p>
        <Other found={found} value="" onChoose={setOther} />
      </>
    ) : (
      <p className="text-quiet">There is nothing left to read.</p>
    );
  const value = asked.unit === null ? null : typed(text);
  const choice = asked.unit === null ? asked.choices.find((c) => c.id === text) : undefined;
  const take = () => {
    if (asked.unit !== null && value !== null)
      onTake({ probeId: asked.id, value, choice: null, what: asked.what, says: `${text.trim()} ${asked.unit}` });
    else if (choice) onTake({ probeId: asked.id, value: null, choice: choice.id, what: asked.what, says: choice.name });
  };
  return (
    <>
      <p>
        <b className="font-semibold">{asked.id !== found.next?.id ? 'Read' : first ? 'Read first' : 'Read next'}</b>: {asked.what}. About{' '}
        {Math.round(asked.minutes)} min.
      </p>
      <p className="mt-1 text-quiet">How: {asked.how}.</p>
      {asked.hazard === '' ? null : <p className="caution mt-1">{asked.hazard}</p>}
      <Predicted asked={asked} />
      <p className="screen-only mt-2 flex flex-wrap items-baseline gap-2">
        {asked.unit === null ? (
          <select className="box max-w-[320px]" aria-label="what it showed" value={text} onChange={(e) => setText(e.target.value)}>
            <option value="">what did it show?</option>
            {asked.choices.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </select>
        ) : (
          <label>
            read there, {asked.unit}{' '}
            <input
              className="box reading w-[90px]"
              inputMode="decimal"
              value={text}
              aria-invalid={text !== '' && value === null}
              onChange={(e) => setText(e.target.value)}
              onKeyDown={(e) => {
                if (e.key === 'Enter') take();
              }}
            />
          </label>
        )}
        <button type="button" className="act" disabled={value === null && !choice} onClick={take}>
          take it
        </button>
      </p>
      <Other
        found={found}
        value={asked.id}
        onChoose={(id) => {
          setOther(id);
          setText('');
        }}
      />
    </>
  );
}

function Other({
  found,
  value,
  onChoose,
}: {
  readonly found: BankDiagnosis;
  readonly value: string;
  readonly onChoose: (id: string) => void;
}) {
  return (
    <p className="screen-only mt-2">
      <label>
        or another reading{' '}
        <select className="box max-w-[420px]" value={value} onChange={(e) => onChoose(e.target.value)}>
          {value === '' ? <option value="">choose</option> : null}
          {found.asked.map((a) => (
            <option key={a.id} value={a.id}>
              {a.what}
            </option>
          ))}
        </select>
      </label>
    </p>
  );
}

function Predicted({ asked }: { readonly asked: BankAsked }) {
  if (asked.predicts.length === 0) return null;
  return (
    <ul className="mt-1" aria-label="What each suspect would show">
      {asked.predicts.map((p) => (
        <li key={p.what}>
          {p.says} if {p.what}
        </li>
      ))}
    </ul>
  );
}

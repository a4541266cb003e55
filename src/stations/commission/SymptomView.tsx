'use client';
import { useState } from 'react';
import { behind, readSymptom, SURE_FROM, SYMPTOMS, type SymptomId } from '@/core/commission';
import { useDesign, useFindings } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';

const ALL = Object.keys(SYMPTOMS) as SymptomId[];

/** What was chosen, else what the words surely mean. */
function meantBy(words: string, chosen: SymptomId | null): SymptomId | null {
  const [first] = readSymptom(words);
  return chosen ?? (first && first.sure >= SURE_FROM ? first.id : null);
}

/** Trouble in ordinary words: which symptom is meant, what of this boat may be behind it, and what tells them apart. */
export function SymptomView({ onMeant }: { readonly onMeant: (symptom: SymptomId | null) => void }) {
  const design = useDesign();
  const findings = useFindings();
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState<SymptomId | null>(null);
  const read = readSymptom(words);
  const meant = meantBy(words, chosen);
  const choose = (id: SymptomId | null) => {
    setChosen(id);
    onMeant(meantBy(words, id));
  };
  const asked = words.trim() !== '' && meant === null;
  const list = meant ? behind(design, findings, meant) : [];
  return (
    <section aria-label="The trouble in words" className="max-w-[980px]">
      <label className="block">
        what is wrong, in your own words
        <input
          className="box mt-1 w-full text-[15px]"
          placeholder="the plotter restarts when the windlass runs"
          maxLength={200}
          value={words}
          onChange={(e) => {
            setWords(e.target.value);
            setChosen(null);
            onMeant(meantBy(e.target.value, null));
          }}
        />
      </label>
      {asked ? (
        <div className="mt-2" role="group" aria-label="Which is meant">
          <p>{read.length > 0 ? 'Which of these is it?' : 'That was not understood. Which of these is it?'}</p>
          <p className="flex flex-wrap gap-x-4 gap-y-1">
            {(read.length > 0 ? read.slice(0, 3).map((r) => r.id) : ALL).map((id) => (
              <button key={id} type="button" className="plain" onClick={() => choose(id)}>
                {SYMPTOMS[id]}
              </button>
            ))}
          </p>
        </div>
      ) : null}
      {meant ? (
        <>
          <p className="mt-2">
            Understood: <b className="font-semibold">{SYMPTOMS[meant]}</b>.{' '}
            {chosen === null ? (
              <label className="screen-only">
                or{' '}
                <select className="box" aria-label="Another symptom" value={meant} onChange={(e) => choose(e.target.value as SymptomId)}>
                  {ALL.map((id) => (
                    <option key={id} value={id}>
                      {SYMPTOMS[id]}
                    </option>
                  ))}
                </select>
              </label>
            ) : (
              <button type="button" className="plain" onClick={() => choose(null)}>
                not that
              </button>
            )}
          </p>
          {meant === 'tingles' ? (
            <p className="caution mt-1">
              Nobody touches metal or swims: shore lead out at the pedestal, generator and inverter off, first. A tingle in water kills.
            </p>
          ) : null}
          <Plain
            label="What may be behind it"
            columns={[{ title: 'likely', right: true }, { title: 'what' }, { title: 'what speaks for it here' }, { title: 'what tells' }]}
            rows={list.map((b) => ({ id: b.what, cells: [`${Math.round(100 * b.probability)} %`, b.what, b.why, b.measure] }))}
          />
          <p className="text-[12px] text-quiet">
            Odds from what is usual, five times as much where this boat’s own findings speak for it. Readings decide: below.
          </p>
        </>
      ) : null}
    </section>
  );
}

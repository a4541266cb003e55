'use client';
import { useState } from 'react';
import type { Mounted } from '@/core/mounting';
import { type Candidate, type ScorePart, WORTH_MIN } from '@/core/placing';
import { round3, show, type Units, unitOf } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';
import { useRanked } from './useRanked';

const id = (c: Candidate): string => `${c.placeId}/${c.face?.id ?? ''}`;

/** Every place for a thing with what its leads come to there: the best first, what does not fit last, each with its working. */
export function RankedPlaces({ thing, onMove }: { thing: Mounted; onMove: (placeId: string, faceId: string | null) => void }) {
  const design = useDesign();
  const { boat } = design;
  const ranked = useRanked(design, thing.kind, thing.id);
  const [open, setOpen] = useState<string | null>(null);
  const shown = ranked.all.find((c) => id(c) === open) ?? ranked.all[0];
  return (
    <section className="mt-5" aria-label={`Places for ${thing.name}`}>
      <h2 className="font-semibold">Places for it, the best first</h2>
      <p className="max-w-[760px] text-[12px] text-quiet">
        The whole boat is reckoned anew with it in each place, every length as estimated from positions. A score is minutes of work: pulling
        and clipping what ends at it, {WORTH_MIN.kg} for a kilogram of copper, {WORTH_MIN.ask} for each open question, {WORTH_MIN.fix} for
        each fix the boat has then, {WORTH_MIN.stop} for a stop.
      </p>
      {ranked.trouble ? <p className="caution">Not worked out: {ranked.trouble}.</p> : null}
      {ranked.busy ? (
        <p role="status" className="text-quiet">
          {ranked.all.length} of {ranked.of || '…'} tried{' '}
          <button type="button" className="plain" onClick={ranked.stop}>
            stop
          </button>
        </p>
      ) : null}
      <div className="overflow-x-auto">
        <div className="min-w-[640px]">
          <Plain
            label={`Places for ${thing.name}`}
            columns={[
              { title: 'place' },
              { title: 'goes' },
              { title: 'leads', right: true },
              { title: 'copper', right: true },
              { title: 'work', right: true },
              { title: 'most lost', right: true },
              { title: 'fixes', right: true },
              { title: 'score', right: true },
              { title: '' },
            ]}
            rows={ranked.all.map((c) => ({
              id: id(c),
              cells: [
                <button
                  key="p"
                  type="button"
                  className="plain text-left"
                  aria-pressed={shown ? id(shown) === id(c) : false}
                  onClick={() => setOpen(id(c))}
                >
                  {c.placeName}
                  {c.face ? `, ${c.face.name}` : ''}
                  {c.now ? ' (now)' : ''}
                </button>,
                <span key="g" className={c.verdict === 'does not go' ? 'font-semibold text-lead' : ''}>
                  {c.verdict}
                </span>,
                show(c.lengthM, 'm', boat),
                show(c.kg, 'kg', boat),
                `${Math.round(c.minutes)} min`,
                worst(c),
                `${c.stops > 0 ? `${c.stops} stop, ` : ''}${c.fixes}`,
                Math.round(c.score),
                c.now ? null : (
                  <button
                    key="m"
                    type="button"
                    className="plain screen-only"
                    aria-label={`mount it there: ${c.placeName}${c.face ? `, ${c.face.name}` : ''}`}
                    onClick={() => onMove(c.placeId, c.face?.id ?? null)}
                  >
                    mount it there
                  </button>
                ),
              ],
            }))}
          />
        </div>
      </div>
      {shown ? (
        <div className="mt-3">
          <h3 className="font-semibold">
            {shown.placeName}
            {shown.face ? `, ${shown.face.name}` : ''}: its working
          </h3>
          {shown.lines.map((l) => (
            <p key={l.what}>
              <b className="font-semibold">{l.ok === false ? 'no' : 'ask'}</b>: {l.what}; it needs {l.needs}, there is: {l.has}.
            </p>
          ))}
          {shown.brings.slice(0, 4).map((t, i) => (
            <p key={i}>It brings: {t}.</p>
          ))}
          <Plain
            label="What its score is made of"
            columns={[
              { title: 'of' },
              { title: 'how much', right: true },
              { title: 'minutes each', right: true },
              { title: 'minutes', right: true },
            ]}
            rows={[
              ...shown.parts.flatMap((p) =>
                p.count > 0
                  ? [
                      {
                        id: p.what,
                        cells: [
                          p.what,
                          p.kind === 'none' ? round3(p.count) : show(p.count, p.kind, boat),
                          perUnit(p, boat),
                          round3(p.count * p.each),
                        ],
                      },
                    ]
                  : [],
              ),
              { id: 'score', cells: [<b key="s">score</b>, '', '', <b key="n">{round3(shown.score)}</b>] },
            ]}
          />
          <Plain
            label="Leads with it there"
            columns={[
              { title: 'run' },
              { title: 'one way', right: true },
              { title: 'conductor', right: true },
              { title: 'copper', right: true },
              { title: 'work', right: true },
              { title: 'lost on its path', right: true },
            ]}
            rows={shown.runs.map((r) => ({
              id: r.id,
              cells: [
                r.name,
                show(r.lengthM, 'm', boat),
                show(r.wireM, 'm', boat),
                show(r.kg, 'kg', boat),
                `${Math.round(r.minutes)} min`,
                <Worked
                  key="d"
                  at={{ kind: 'placed', id: [thing.kind, thing.id, shown.placeId, r.id].join('|') }}
                  of={`${r.name} with it there`}
                >
                  {r.dropPct === null ? show(r.lengthM, 'm', boat) : `${round3(r.dropPct)} %`}
                </Worked>,
              ],
            }))}
          />
        </div>
      ) : null}
    </section>
  );
}

/** Minutes one stands for, by the boat's own unit. */
const perUnit = (p: ScorePart, units: Units): string => (p.kind === 'kg' ? round3(p.each / unitOf('kg', units).to(1)) : round3(p.each));

function worst(c: Candidate): string {
  const drops = c.runs.flatMap((r) => r.dropPct ?? []);
  return drops.length > 0 ? `${round3(Math.max(...drops))} %` : '–';
}

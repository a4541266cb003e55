'use client';
import { useState } from 'react';
import { type Gauge, setOp } from '@/core/design';
import type { GaugeCurve, Tried } from '@/core/monitoring';
import { round3 } from '@/core/quantity';
import { useAsked, useDesign, useStore } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import type { ShuntAnswer } from '@/workers/analysis.worker';
import { ChargeChart } from './ChargeChart';
import { Surface } from './Surface';
import { useGauge } from './useGauge';

const MISSED = {
  volts: 'its charged volts are above what any source reaches while the bank is full',
  tail: 'its tail is under what the bank still takes when it is full',
  time: 'volts and tail are never met together for so long',
} as const;

const percent = (part: number): string => `${round3(100 * part)} %`;
const when = (h: number): string =>
  `day ${Math.floor(h / 24) + 1}, ${String(Math.floor(h % 24)).padStart(2, '0')}:${String(Math.floor((h * 60) % 60)).padStart(2, '0')}`;

/** The gauge over thirty days of the chosen cruise, minute by minute: what it shows beside what the bank holds. */
export function AgainstTheBoat({ gauge }: { gauge: Gauge }) {
  const design = useDesign();
  const store = useStore();
  const [clouds, setClouds] = useState(true);
  const shunt = useAsked<ShuntAnswer>(`shunt:${gauge.id}`, (r) => r.shunt(gauge.id));
  const unseenA = shunt ? shunt.unseen.reduce((sum, u) => sum + u.meanA, 0) : 0;
  const { told, busy, trouble, searched, searching, search, stop } = useGauge(design, gauge.id, unseenA, clouds ? 1 : null);
  const [curve, setCurve] = useState<GaugeCurve['name']>('as proposed');
  if (!told)
    return (
      <p className="pt-3 text-quiet" role="status">
        {trouble
          ? `It failed: ${trouble}`
          : busy
            ? 'Going through thirty days.'
            : 'Nothing to hold it against: its bank, or a way of living, is missing.'}
      </p>
    );
  const shown = told.curves.find((c) => c.name === curve) ?? told.curves[0];
  const take = (t: Tried) =>
    store.edit(`settings of ${gauge.name}`, [
      setOp(design, ['gauges', gauge.id, 'asSet'], { ...gauge.asSet, chargedV: t.chargedV, tailPct: t.tailPct, chargedMin: t.minutes }),
    ]);
  return (
    <div className="pt-2">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        {told.curves.map((c) => (
          <label key={c.name}>
            <input type="radio" name="curve" checked={shown?.name === c.name} onChange={() => setCurve(c.name)} /> {c.name}
          </label>
        ))}
        <label>
          <input type="checkbox" checked={clouds} onChange={(e) => setClouds(e.target.checked)} /> three days in ten of broken cloud
        </label>
        {busy ? <span className="text-copper">older than the last edit</span> : null}
      </div>
      {shown ? (
        <ChargeChart truth={told.truth} shown={shown.shown} everyH={told.everyH} falseFulls={shown.run.falseFulls.map((f) => f.atH)} />
      ) : null}
      <Plain
        label="The gauge against the boat"
        columns={[
          { title: 'set' },
          { title: 'worst error', right: true },
          { title: 'when' },
          { title: 'mean', right: true },
          { title: 'called full', right: true },
          { title: 'falsely', right: true },
          { title: 'days missed', right: true },
          { title: 'drift a week', right: true },
        ]}
        rows={told.curves.map((c) => ({
          id: c.name,
          cells: [
            c.name,
            percent(c.run.worst),
            when(c.run.worstAtH),
            percent(c.run.mean),
            String(c.run.fulls),
            String(c.run.falseFulls.length),
            String(c.run.missedDays),
            `${round3(c.run.driftAhWeek)} Ah`,
          ],
          opens: { of: c.name, at: 1, lines: c.of },
        }))}
      />
      {told.curves
        .filter((c) => c.missed !== null && c.run.missedDays > 0)
        .map((c) => (
          <p key={c.name} className="caution mt-2">
            {c.name}: it misses full, for {c.missed ? MISSED[c.missed] : ''}.
          </p>
        ))}
      <p className="mt-2 max-w-[860px] text-[12px] text-quiet">
        Truth is the bank of the time loop; the gauge is fed its volts and amps, its own offset and step, and what goes round its shunt. It
        begins in step. A full is false where the bank holds less than 95 %. Clouds leave 0.3 of the sun for 1 to 20 minutes, drawn with one
        seed.
      </p>
      <section className="mt-4">
        <div className="flex flex-wrap items-baseline gap-4">
          <h2 className="font-semibold">Search of settings</h2>
          {searching ? (
            <>
              <span role="status">
                {searched?.tried.length ?? 0} of {searched?.of ?? 600} tried
              </span>
              <button type="button" className="act" onClick={stop}>
                stop
              </button>
            </>
          ) : (
            <button type="button" className="act" onClick={search} disabled={busy}>
              search volts, tail and time
            </button>
          )}
          {searched?.best ? (
            <>
              <span>
                best: <b className="reading">{searched.best.chargedV.toFixed(1)} V</b>,{' '}
                <b className="reading">{round3(searched.best.tailPct)} %</b>, <b className="reading">{searched.best.minutes} min</b>: off by{' '}
                {percent(searched.best.worst)} at most
              </span>
              <button type="button" className="act" onClick={() => searched.best && take(searched.best)} disabled={searching}>
                take it as set
              </button>
            </>
          ) : null}
        </div>
        {searched ? (
          <Surface searched={searched} />
        ) : (
          <p className="text-quiet">
            600 settings that gauges offer, each over the same thirty days; the one that is off least at its worst is taken.
          </p>
        )}
      </section>
    </div>
  );
}

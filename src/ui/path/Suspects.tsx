'use client';
import { useState } from 'react';
import { curesOf, type Diagnosis, type Element } from '@/core/commission';
import { round3, show, type Units } from '@/core/quantity';
import { Plain } from '../table/Plain';
import { typed } from './figures';
import type { PathReadings } from './usePathReadings';

/** What it may be after the readings so far, and where the next one tells most. */
export function Suspects({
  path: { readings, over, take, takeOff },
  elements,
  amps,
  diagnosis,
  units,
}: {
  readonly path: PathReadings;
  readonly elements: readonly Element[];
  /** What the load draws; null: not said. */
  readonly amps: number | null;
  readonly diagnosis: Diagnosis | null;
  readonly units: Units;
}) {
  const [nextMv, setNextMv] = useState('');
  const next = diagnosis?.next ?? null;
  const cures = diagnosis && amps !== null && readings.length > 0 ? curesOf(elements, diagnosis, amps) : [];
  const takeNext = () => {
    const mv = typed(nextMv);
    if (!next || mv === null) return;
    take(next.what, next.elements, mv);
    setNextMv('');
  };
  return (
    <section aria-label="Suspects">
      <h2 className="font-semibold">What it may be</h2>
      {over.length > 0 ? (
        <ul className="mt-1" aria-label="Readings over several parts">
          {over.map((o, i) => (
            <li key={`${o.what}${i}`}>
              {round3(o.mv)} mV over {o.what}{' '}
              <button type="button" className="plain" onClick={() => takeOff(o)}>
                take off
              </button>
            </li>
          ))}
        </ul>
      ) : null}
      {diagnosis && readings.length > 0 ? (
        <>
          <Plain
            label="Suspects"
            columns={[
              { title: 'suspect' },
              { title: 'likely', right: true },
              { title: 'more than it should be', right: true },
              { title: 'heat', right: true },
            ]}
            rows={diagnosis.suspects
              .filter((s) => s.probability >= 0.005)
              .map((s) => ({
                id: s.what,
                cells: [
                  s.what,
                  `${Math.round(100 * s.probability)} %`,
                  s.extraMohm.length > 0 ? `${s.extraMohm.map((x) => round3(x)).join(' and ')} mΩ` : '·',
                  s.watts > 0 ? show(s.watts, 'W', units) : '·',
                ],
              }))}
          />
          {diagnosis.suspects[0]?.notDrawn ? (
            <p className="caution mt-2">Nothing in this drawing explains it: look for a joint, a cable or a load that is not in it.</p>
          ) : null}
        </>
      ) : (
        <p className="mt-1 text-quiet">
          Each reading says which parts are left under suspicion, how much heat they make, and where the next one tells most. Begin where it
          is said below, or with what is lost from the bank to the load and back.
        </p>
      )}
      {next ? (
        <div className="mt-3">
          <p>
            <b className="font-semibold">{readings.length > 0 ? 'Measure next' : 'Measure first'}</b>: {next.what}
            {readings.length > 0 ? `; ${next.predicts.map((p) => `${round3(p.mv)} mV if it is ${p.what}`).join('; ')}` : ''}.
          </p>
          <p className="screen-only mt-1 flex items-baseline gap-2">
            <label>
              read there, mV{' '}
              <input
                className="box reading w-[90px]"
                inputMode="decimal"
                value={nextMv}
                aria-invalid={nextMv !== '' && typed(nextMv) === null}
                onChange={(e) => setNextMv(e.target.value)}
                onKeyDown={(e) => {
                  if (e.key === 'Enter') takeNext();
                }}
              />
            </label>
            <button type="button" className="act" disabled={typed(nextMv) === null} onClick={takeNext}>
              take it
            </button>
          </p>
        </div>
      ) : null}
      {cures.length > 0 ? (
        <>
          <h3 className="mt-3 font-semibold">What would put it right</h3>
          <Plain
            label="Cures"
            columns={[
              { title: 'cure' },
              { title: 'likely it is that', right: true },
              { title: 'the load gets', right: true },
              { title: 'new cable', right: true },
              { title: 'takes', right: true },
            ]}
            rows={cures.map((c) => ({
              id: c.elementId,
              cells: [
                c.what,
                `${Math.round(100 * c.probability)} %`,
                `+ ${round3(c.gainMv)} mV`,
                c.metres === null ? '·' : show(c.metres, 'm', units),
                `${Math.round(c.minutes)} min`,
              ],
            }))}
          />
          <p className="mt-1 text-[12px] text-quiet">
            What gives most for its minutes first; millivolts at the same amps. Minutes are typical: dead and proved, done, read again.
          </p>
        </>
      ) : null}
    </section>
  );
}

'use client';
import dynamic from 'next/dynamic';
import { addOp, blankCruise, type Cruise, dropOp, setOp } from '@/core/design';
import { cruiseOf, cruiseVerdict } from '@/core/energy';
import { round3, unitOf } from '@/core/quantity';
import type { CruiseAnswer } from '@/workers/analysis.worker';
import { useAsked, useDesign, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Choice, Figure, Words } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';

const Curves = dynamic(() => import('@/ui/chart/Curves'), { ssr: false });

/** A cruise: days in ways of living one after another, and what becomes of the banks. */
export function Voyage() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const chosen = cruiseOf(design);
  const kept = design.cruises.some((c) => c.id === chosen.id);
  const answer = useAsked('cruise', (r) => r.cruise());
  const put = (key: keyof Cruise, value: unknown) =>
    store.edit(`cruise ${chosen.name}`, [setOp(design, ['cruises', chosen.id, key], value)]);
  const add = () => {
    const id = fresh('k');
    const first = design.living[0];
    store.edit('add a cruise', [
      addOp(design, 'cruises', {
        ...blankCruise(id, 'A cruise'),
        legs: first ? [{ id: fresh('l'), livingId: first.id, days: 5 }] : [],
      }),
      setOp(design, ['plan', 'cruiseId'], id),
    ]);
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_310px] max-[999px]:grid-cols-1 gap-8 pt-2">
      <div>{answer ? <Outcome answer={answer} /> : <p className="text-quiet">Calculating.</p>}</div>
      <div className="space-y-3">
        <Choice
          label="cruise"
          value={chosen.id}
          options={kept ? design.cruises.map((c) => c.id) : [chosen.id, ...design.cruises.map((c) => c.id)]}
          names={{ [chosen.id]: chosen.name, ...Object.fromEntries(design.cruises.map((c) => [c.id, c.name])) }}
          onChange={(id) => store.edit('another cruise', [setOp(design, ['plan', 'cruiseId'], id)])}
        />
        <button type="button" className="act" disabled={design.cruises.length >= 12} onClick={add}>
          add a cruise
        </button>
        {kept ? (
          <>
            <Words label="name" value={chosen.name} onChange={(t) => t && put('name', t)} />
            <ul aria-label="Days of the cruise">
              {chosen.legs.map((leg) => (
                <li key={leg.id} className="grid grid-cols-[64px_1fr_auto] items-end gap-2 border-b border-line py-1">
                  <Figure
                    label="days"
                    kind="none"
                    value={leg.days}
                    low={0}
                    high={366}
                    onChange={(days) =>
                      put(
                        'legs',
                        chosen.legs.map((l) => (l.id === leg.id ? { ...l, days: Math.round(days) } : l)),
                      )
                    }
                  />
                  <Choice
                    label="in"
                    value={leg.livingId}
                    options={design.living.map((l) => l.id)}
                    names={Object.fromEntries(design.living.map((l) => [l.id, l.name]))}
                    onChange={(livingId) =>
                      put(
                        'legs',
                        chosen.legs.map((l) => (l.id === leg.id ? { ...l, livingId } : l)),
                      )
                    }
                  />
                  <button
                    type="button"
                    className="plain pb-1"
                    aria-label={`Remove ${leg.days} days`}
                    onClick={() =>
                      put(
                        'legs',
                        chosen.legs.filter((l) => l.id !== leg.id),
                      )
                    }
                  >
                    remove
                  </button>
                </li>
              ))}
            </ul>
            <button
              type="button"
              className="plain"
              disabled={chosen.legs.length >= 40 || !design.living[0]}
              onClick={() => put('legs', [...chosen.legs, { id: fresh('l'), livingId: design.living[0]?.id ?? '', days: 1 }])}
            >
              add days
            </button>
            <div className="grid grid-cols-2 gap-3">
              <Figure
                label="times over"
                kind="none"
                value={chosen.repeat}
                low={1}
                high={366}
                onChange={(v) => put('repeat', Math.round(v))}
              />
              <Figure
                label="begins at, %"
                kind="none"
                value={Math.round(100 * chosen.startSoc)}
                low={0}
                high={100}
                onChange={(v) => put('startSoc', v / 100)}
              />
              <Figure
                label="step, minutes"
                kind="none"
                value={design.plan.stepMin}
                low={1}
                high={60}
                onChange={(v) => store.edit('step', [setOp(design, ['plan', 'stepMin'], v)])}
              />
            </div>
            <button
              type="button"
              className="plain"
              onClick={() => store.edit(`remove ${chosen.name}`, [dropOp(design, 'cruises', chosen.id)])}
            >
              remove this cruise
            </button>
          </>
        ) : (
          <p className="text-quiet">None is entered yet: a week of the way of living the bank is sized for is used instead.</p>
        )}
      </div>
    </div>
  );
}

/** What becomes of the banks on the cruise. */
function Outcome({ answer }: { answer: CruiseAnswer }) {
  const design = useDesign();
  const { run, schools } = answer;
  const [, select] = useSelected();
  const { scene, trace } = run;
  const verdict = cruiseVerdict(run);
  const nB = scene.banks.length;
  const every = Math.max(1, Math.floor((run.days.length * scene.n) / 600));
  const data = Array.from({ length: Math.floor((run.days.length * scene.n) / every) }, (_, i) => ({
    day: (i * every) / scene.n,
    ...Object.fromEntries(scene.banks.map((_, b) => [`b${b}`, 100 * (trace.soc[i * every * nB + b] ?? 0)])),
  }));
  if (run.days.length === 0)
    return <p className="max-w-[560px]">Nothing to calculate yet: give the cruise days in a way of living, and the boat a bank.</p>;
  return (
    <>
      <Curves
        label={`State of charge through ${run.name}`}
        data={data}
        x={{ key: 'day', unit: ' d' }}
        unit=" %"
        domain={[0, 100]}
        height={210}
        curves={scene.banks.map((b, i) => ({
          key: `b${i}`,
          name: b.name,
          color: i === scene.house ? 'var(--verdigris)' : 'var(--quiet)',
          width: i === scene.house ? 2 : 1.2,
          ...(i === scene.house ? {} : { dash: '5 3' }),
        }))}
        marks={[{ y: 100 * (scene.banks[scene.house]?.chemistry.windowLowSoc ?? 0), text: 'bottom of the window' }]}
      />
      <p className="mt-1" data-verdict>
        <b className={verdict.holds ? '' : 'font-semibold text-lead'}>{verdict.words}</b>{' '}
        {run.banks.map((b) => (
          <span key={b.id}>
            <button
              type="button"
              className="plain"
              aria-description={`The working of ${b.name}`}
              onClick={() => select({ kind: 'voyage', id: b.id })}
            >
              {b.name}
            </button>
            : {round3(b.longestSinceFullDays)} days at most without full, {round3(b.fullCycles)} full cycles.{' '}
          </span>
        ))}
      </p>
      {run.warnings.map((w) => (
        <p key={w.id} className={`mt-1 ${w.severity === 'stop' ? 'font-semibold text-lead' : ''}`}>
          <b className="font-semibold">{w.title}.</b> <span className="font-normal text-quiet">{w.why}</span>
        </p>
      ))}
      <h2 className="mt-4 font-semibold">Day by day</h2>
      <div className="max-h-[240px] overflow-auto" tabIndex={0} role="region" aria-label="Day by day">
        <Plain
          label="Day by day"
          columns={[
            { title: 'day' },
            { title: 'living' },
            { title: 'drawn, Ah', right: true },
            { title: 'made, Ah', right: true },
            ...scene.sources.map((s) => ({ title: s.name, right: true })),
            { title: 'lowest, %', right: true },
            { title: 'charging, h', right: true },
            { title: `fuel, ${unitOf('L', design.boat).name}`, right: true },
          ]}
          rows={run.days.map((d, i) => ({
            id: String(i),
            cells: [
              <button
                key="d"
                type="button"
                className="plain"
                aria-description={`The working of day ${i + 1}`}
                onClick={() => select({ kind: 'voyage-day', id: String(i) })}
              >
                {i + 1}
              </button>,
              d.name,
              round3(d.loadAh),
              round3(d.madeAh),
              ...d.bySource.map(round3),
              round3(100 * (d.lowest[scene.house] ?? 0)),
              round3(d.chargingH),
              round3(unitOf('L', design.boat).to(d.litres)),
            ],
          }))}
        />
      </div>
      <TableBeside
        title={`${run.name}, day by day`}
        columns={[
          'day',
          'living',
          'drawn, Ah',
          'made, Ah',
          'not to be had, Ah',
          ...scene.sources.map((s) => `${s.name}, Ah`),
          ...scene.banks.flatMap((b) => [`${b.name} lowest, %`, `${b.name} at midnight, %`]),
          'charging, h',
          'engine, h',
          `fuel, ${unitOf('L', design.boat).name}`,
        ]}
        rows={run.days.map((d, i) => [
          String(i + 1),
          d.name,
          round3(d.loadAh),
          round3(d.madeAh),
          round3(d.unmetAh),
          ...d.bySource.map(round3),
          ...scene.banks.flatMap((_, b) => [round3(100 * (d.lowest[b] ?? 0)), round3(100 * (d.endSoc[b] ?? 0))]),
          round3(d.chargingH),
          round3(d.engineH),
          round3(unitOf('L', design.boat).to(d.litres)),
        ])}
      />
      <p className="mt-1 text-[12px] text-quiet">
        Every bank: change of charge = stored − drawn by rate − self-discharge − overflow, kept to {run.imbalance.toExponential(0)} of what
        moved. Out of the house bank {round3(run.banks[scene.house]?.outAh ?? 0)} Ah metered,{' '}
        {round3(run.banks[scene.house]?.effectiveAh ?? 0)} Ah by rate; {round3(run.banks[scene.house]?.overflowAh ?? 0)} Ah overflowed as
        gas and heat.
      </p>
      <h2 className="mt-4 font-semibold">Finish at sea or finish alongside</h2>
      {schools.map((s) => (
        <p key={s.school} className="mt-1 max-w-[760px]">
          <b className="font-semibold">{s.school}.</b> {s.argument} <span className="text-verdigris">{s.here}</span>
        </p>
      ))}
    </>
  );
}

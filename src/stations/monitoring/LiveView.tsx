'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { Gauge } from '@/core/design';
import { liveAnswer, METER_FAULTS, type MeterFault, type MeterSample } from '@/core/monitoring';
import { show } from '@/core/quantity';
import { asCsv, ofHeard } from '@/core/measured';
import { useAsked, useDesign, useStore } from '@/ui/boat/context';
import { useKeptDays } from '@/ui/boat/useKeptDays';
import { Plain } from '@/ui/table/Plain';
import { type Feed, type Heard, useFeed, useMeters } from '@/ui/boat/useFeed';

const DAY_MIN = 1440;
/** Fewer are no day. */
const LEAST_KEPT = 10;
const SPEEDS = [
  [1, 'a minute a second'],
  [60, 'an hour a minute'],
  [300, 'a day in five minutes'],
] as const;

/** What a meter reads beside what this boat would show at that minute, and what could make the difference. */
export function LiveView({ gauge }: { gauge: Gauge }) {
  const design = useDesign();
  const store = useStore();
  const meters = useMeters();
  const [meter, setMeter] = useState('');
  const [livingId, setLiving] = useState(design.living[0]?.id ?? '');
  const [faults, setFaults] = useState<readonly MeterFault[]>([]);
  const [speed, setSpeed] = useState<number>(60);
  const [listening, setListening] = useState(false);
  const bankId = gauge.bankId ?? '';
  const chosen = meters?.find((m) => m.name === meter) ?? meters?.[0];
  const query = new URLSearchParams({
    meter: chosen?.name ?? '',
    bank: bankId,
    living: livingId,
    faults: faults.join(','),
    speed: String(speed),
  });
  const { heard, held, take, ended } = useFeed(listening && chosen ? query.toString() : null, `${chosen?.name ?? ''}:${bankId}`);
  const clear = useAsked<readonly MeterSample[]>(bankId && livingId ? `clear:${bankId}:${livingId}` : null, (r) =>
    r.clearDay(bankId, livingId),
  );
  if (bankId === '' || design.living.length === 0)
    return (
      <p className="pt-3">A meter is held against a bank and a day: choose the gauge’s bank, and enter a way of living (Bank, the day).</p>
    );
  if (meters === null) return <p className="pt-3 text-quiet">Asking which meters there are.</p>;
  if (!chosen)
    return (
      <p className="max-w-[620px] pt-3">
        No meter may be listened to. Whoever runs the server lists them (SOLENIX_METERS, docs/operations.md); the simulated one begins with
        it unless it was switched off.
      </p>
    );
  const last = heard.at(-1);
  return (
    <div className="max-w-[900px] pt-2">
      <div className="flex flex-wrap items-end gap-4">
        <Pick label="meter" value={chosen.name} options={meters.map((m) => [m.name, m.name] as const)} onChange={setMeter} />
        <Pick
          label="held against the day"
          value={livingId}
          options={design.living.map((l) => [l.id, l.name] as const)}
          onChange={setLiving}
        />
        {chosen.simulated ? (
          <Pick
            label="plays"
            value={String(speed)}
            options={SPEEDS.map(([n, name]) => [String(n), name] as const)}
            onChange={(v) => setSpeed(Number(v))}
          />
        ) : null}
        <button type="button" className="act" onClick={() => setListening(!listening)}>
          {listening ? 'stop listening' : 'listen'}
        </button>
      </div>
      {chosen.simulated ? (
        <fieldset className="mt-3 flex flex-wrap gap-x-5 gap-y-1">
          <legend className="text-[11.5px] text-quiet">faults switched in</legend>
          {METER_FAULTS.map((f) => (
            <label key={f} className="flex items-baseline gap-2">
              <input
                type="checkbox"
                checked={faults.includes(f)}
                onChange={(e) => setFaults(e.target.checked ? [...faults, f] : faults.filter((x) => x !== f))}
              />
              {f}
            </label>
          ))}
        </fieldset>
      ) : null}
      {ended ? <p className="caution mt-3">It ended: {ended}.</p> : null}
      <Keep bankId={bankId} held={held} take={take} />
      {last && clear ? (
        <Now gauge={gauge} clear={clear} last={last} heard={heard} />
      ) : (
        <p className="mt-3 text-quiet">{listening ? 'Listening.' : 'Nothing is listened to yet.'}</p>
      )}
      {chosen.simulated ? (
        <p className="mt-4 flex gap-4">
          <a className="plain" href={`/api/boats/${store.boatId}/meter/day?${query.toString()}`} download>
            this day as CSV
          </a>
          <a className="plain" href={`/api/boats/${store.boatId}/meter/day?${query.toString()}&as=deltas`} download>
            as deltas, one message a line
          </a>
        </p>
      ) : null}
      <p className="mt-2 text-[12px] text-quiet">
        Expected: the day of this boat minute by minute (as Bank, the day), its volts moved to the amps that are read. The simulated meter
        is no meter aboard: it plays this boat, with what is switched in.
      </p>
    </div>
  );
}

/** What was heard goes to the boat's measured days. */
function Keep({ bankId, held, take }: Pick<Feed, 'held' | 'take'> & { readonly bankId: string }) {
  const store = useStore();
  const { keep } = useKeptDays();
  const [kept, setKept] = useState(0);
  const [busy, setBusy] = useState(false);
  const send = async (list: readonly Heard[]): Promise<boolean> => {
    const series = ofHeard(list);
    const name = `heard ${new Date(series.at[0] ?? Date.now()).toISOString().slice(0, 16).replace('T', ' ')}.csv`;
    const stream = new Blob([asCsv(series)]).stream().pipeThrough(new CompressionStream('gzip'));
    const is = await keep(bankId, name, new Uint8Array(await new Response(stream).arrayBuffer()));
    if (is) setKept(series.at.length);
    return is;
  };
  const put = async () => {
    setBusy(true);
    try {
      await take(send);
    } catch (error) {
      store.say('refused', `It was not kept: ${error instanceof Error ? error.message : String(error)}.`);
    } finally {
      setBusy(false);
    }
  };
  if (held < LEAST_KEPT && kept === 0) return null;
  return (
    <p className="screen-only mt-3 flex flex-wrap items-baseline gap-3">
      <button type="button" className="act" disabled={busy || held < LEAST_KEPT} onClick={() => void put()}>
        keep the {held} heard with the boat
      </button>
      {kept > 0 ? (
        <span role="status">
          {kept} are kept:{' '}
          <Link className="plain" href={`/boats/${store.boatId}/log`}>
            Log, measured days
          </Link>
        </span>
      ) : null}
    </p>
  );
}

function Now({ gauge, clear, last, heard }: { gauge: Gauge; clear: readonly MeterSample[]; last: Heard; heard: readonly Heard[] }) {
  const design = useDesign();
  const { boat } = design;
  const when = new Date(last.at);
  const minute = (when.getUTCHours() * 60 + when.getUTCMinutes()) % DAY_MIN;
  const told =
    last.volts === null || last.amps === null
      ? null
      : liveAnswer(design, gauge.bankId ?? '', clear, { minute, volts: last.volts, amps: last.amps, soc: last.soc ?? 0 });
  const clock = `${String(when.getUTCHours()).padStart(2, '0')}:${String(when.getUTCMinutes()).padStart(2, '0')}`;
  return (
    <section className="mt-3" aria-label="Live">
      <p className="text-[20px]" role="status">
        <span className="reading">{clock}</span> <b className="reading ml-4">{last.volts === null ? '–' : `${last.volts.toFixed(2)} V`}</b>{' '}
        <b className="reading ml-4">{last.amps === null ? '–' : show(last.amps, 'A', boat)}</b>{' '}
        <b className="reading ml-4">{last.soc === null ? '–' : `${Math.round(100 * last.soc)} %`}</b>{' '}
        <span className="ml-4 text-[12px] text-quiet">{heard.length} heard</span>
      </p>
      {told ? (
        <>
          <Plain
            label="Beside what is expected"
            columns={[
              { title: 'what' },
              { title: 'read', right: true },
              { title: 'expected', right: true },
              { title: 'band', right: true },
              { title: '' },
            ]}
            rows={told.beside.map((b) => {
              // A meter's own steps: a hundredth of a volt tells a sound joint from a bad one.
              const said = (x: number) => (b.what === 'volts' ? `${x.toFixed(2)} V` : show(x, 'A', boat));
              return {
                id: b.what,
                cells: [
                  b.what,
                  said(b.read),
                  said(b.expected),
                  `${said(b.low)} to ${said(b.high)}`,
                  <b key="v" className={`font-semibold ${b.off > 1 ? 'text-lead' : ''}`}>
                    {b.off > 1 ? `off by ${b.off.toFixed(1)} bands` : 'as expected'}
                  </b>,
                ],
              };
            })}
          />
          {told.could.length > 0 ? (
            <>
              <h2 className="mt-3 font-semibold">What could make the difference</h2>
              <ul className="list-disc pl-5">
                {told.could.map((c) => (
                  <li key={c.what}>
                    {c.what}: {c.would}
                  </li>
                ))}
              </ul>
            </>
          ) : null}
        </>
      ) : null}
    </section>
  );
}

function Pick({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
}) {
  return (
    <label className="block text-[11.5px] text-quiet">
      {label}
      <select className="box mt-[2px] block text-[13px] text-ink" value={value} onChange={(e) => onChange(e.target.value)}>
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

'use client';
import type { GensetStart } from '@/core/network';
import { type AcSource, type Load, rowOf } from '@/core/design';
import { round3, show } from '@/core/quantity';
import { useAsked, useDesign } from '@/ui/boat/context';
import { Choice, Figure, OptionalFigure } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import type { Put } from '@/ui/boat/put';

const two = (v: number): string => (Number.isNaN(v) ? '–' : `${v.toFixed(2)} V`);
const Bad = ({ children }: { children: string }) => <b className="font-semibold text-lead">{children}</b>;

/** A generator's start: its battery and starter, the control coil while they work, and what would help. */
export function Start({
  source,
  machine: g,
  put,
  start,
}: {
  source: AcSource;
  machine: NonNullable<AcSource['generator']>;
  put: Put;
  start: GensetStart | null;
}) {
  const design = useDesign();
  const ways = useAsked(g.startLoadId === null ? null : `start ways ${source.id}`, (r) => r.startWays(source.id));
  const rows = design.loads.filter((l) => l.behaviour !== 'power');
  const choice = (label: string, value: string | null, key: string, empty: string, from: readonly Load[] = rows) => (
    <Choice
      label={label}
      value={value ?? ''}
      options={['', ...from.map((l) => l.id)]}
      names={{ '': empty, ...Object.fromEntries(from.map((l) => [l.id, l.name])) }}
      onChange={(v) => put(['generator', key], v || null, label)}
    />
  );
  const coil = rowOf(design.loads, g.startLoadId);
  return (
    <>
      <h3 className="mt-4 font-semibold">Its start</h3>
      <div className="mt-1 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        {choice('remote start, its coil', g.startLoadId, 'startLoadId', 'no row')}
        {choice('heater plugs', g.preheatLoadId, 'preheatLoadId', 'none')}
        <OptionalFigure
          label="coil lets go at; empty: 40 %"
          kind="V"
          value={g.holdInV}
          low={0}
          high={60}
          onChange={(v) => put(['generator', 'holdInV'], v, 'hold-in volts')}
        />
        {g.starter ? (
          <>
            <Choice
              label="starter on"
              value={g.starter.bankId ?? ''}
              options={['', ...design.banks.map((b) => b.id)]}
              names={{ '': 'the engine’s start battery', ...Object.fromEntries(design.banks.map((b) => [b.id, b.name])) }}
              onChange={(v) => put(['generator', 'starter', 'bankId'], v || null, 'starter')}
            />
            <OptionalFigure
              label="cranks with; empty: typical"
              kind="A"
              value={g.starter.amps}
              low={1}
              high={2000}
              onChange={(v) => put(['generator', 'starter', 'amps'], v, 'starter')}
            />
            <Figure
              label="its cables and return, mΩ"
              kind="none"
              value={g.starter.pathMohm}
              low={0}
              high={100}
              onChange={(v) => put(['generator', 'starter', 'pathMohm'], v, 'starter')}
            />
          </>
        ) : (
          <button
            type="button"
            className="act self-end"
            onClick={() => put(['generator', 'starter'], { bankId: null, amps: null, pathMohm: 1.5 }, 'starter')}
          >
            enter its starter
          </button>
        )}
      </div>
      <p className="mt-1 max-w-[760px] text-quiet">
        Buttons, hold-in contact, stop, interlocks and pre-heat relay stand in line on the coil&apos;s own circuit, under Wiring, each with
        what its contacts are rated for.
      </p>
      {start ? (
        <div className="mt-2 grid max-w-[860px] gap-4">
          <Plain
            label={`${source.name}: its coil`}
            columns={[{ title: coil?.name ?? 'coil' }, { title: 'has', right: true }, { title: 'wants', right: true }, { title: '' }]}
            rows={[
              {
                id: 'rest',
                cells: [
                  'before anything turns',
                  two(start.atRestV),
                  two(start.pullInV),
                  start.atRestV >= start.pullInV ? 'pulls in' : <Bad key="b">may not pull in</Bad>,
                ],
              },
              {
                id: 'engine',
                cells: [
                  'while the engine’s starter turns',
                  two(start.engineV),
                  two(start.pullInV),
                  start.engineV >= start.pullInV ? 'pulls in' : <Bad key="b">may not pull in</Bad>,
                ],
              },
              {
                id: 'own',
                cells: [
                  `while its own turns, ${round3(start.starterA)} A${start.typical ? ', typical' : ''}`,
                  two(start.turningV),
                  two(start.holdInV),
                  start.holds ? 'stays in' : <Bad key="b">lets go</Bad>,
                ],
              },
              { id: 'starter', cells: [`at the starter, on ${start.bankName}`, two(start.starterV), '', ''] },
            ]}
          />
          {ways && ways.length > 0 ? (
            <Plain
              label={`${source.name}: ways to start it`}
              columns={[
                { title: 'way' },
                { title: 'at rest', right: true },
                { title: 'turning', right: true },
                { title: 'pulled', right: true },
                { title: 'hands', right: true },
                { title: '' },
              ]}
              rows={ways.map((w) => ({
                id: w.id,
                cells: [
                  w.say,
                  two(w.atRestV),
                  two(w.turningV),
                  w.metres > 0 ? show(w.metres, 'm', design.boat) : '–',
                  w.minutes > 0 ? `${Math.round(w.minutes)} min` : '–',
                  w.starts ? 'starts' : <Bad key="b">not surely</Bad>,
                ],
              }))}
            />
          ) : null}
        </div>
      ) : null}
    </>
  );
}

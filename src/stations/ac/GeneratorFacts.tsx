'use client';
import type { GeneratorAnswer } from '@/core/network';
import type { AcSource } from '@/core/design';
import { round3, show } from '@/core/quantity';
import { Figure, OptionalFigure, Tick } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { useDesign } from '@/ui/boat/context';
import type { Put } from '@/ui/boat/put';
import { Start } from './GeneratorStart';

/** A generator: plate and fuel, motors in starting order, its days. */
export function GeneratorFacts({
  source,
  machine: g,
  put,
  answer,
}: {
  source: AcSource;
  machine: NonNullable<AcSource['generator']>;
  put: Put;
  answer: GeneratorAnswer | undefined;
}) {
  const design = useDesign();
  return (
    <>
      <h3 className="mt-4 font-semibold">Plate and fuel</h3>
      <div className="mt-1 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Figure label="kVA" kind="none" value={g.kva} low={0} high={100} onChange={(v) => put(['generator', 'kva'], v, 'rating')} />
        <Figure
          label="power factor"
          kind="none"
          value={g.powerFactor}
          low={0}
          high={1}
          onChange={(v) => put(['generator', 'powerFactor'], v, 'power factor')}
        />
        <OptionalFigure
          label="X'd; empty: 0.25"
          kind="none"
          value={g.xd}
          low={0.01}
          high={1}
          onChange={(v) => put(['generator', 'xd'], v, 'reactance')}
        />
        <OptionalFigure
          label="largest start, its maker’s, kVA"
          kind="none"
          value={g.startKva}
          low={0}
          high={400}
          onChange={(v) => put(['generator', 'startKva'], v, 'largest start')}
        />
        <Figure
          label="fuel an hour, idle"
          kind="L"
          value={g.idleLph}
          low={0}
          high={50}
          onChange={(v) => put(['generator', 'idleLph'], v, 'fuel')}
        />
        <Figure
          label="fuel an hour, full"
          kind="L"
          value={g.fullLph}
          low={0}
          high={100}
          onChange={(v) => put(['generator', 'fullLph'], v, 'fuel')}
        />
        <Tick
          label="lights or electronics on while motors start"
          value={g.lightsOn}
          onChange={(v) => put(['generator', 'lightsOn'], v, 'lights')}
        />
      </div>
      {answer ? (
        <div className="mt-3 grid grid-cols-2 gap-10">
          <div>
            <h3 className="font-semibold">Motors, in the order to start them</h3>
            {answer.starts.length === 0 ? (
              <p className="text-quiet">No appliance on it has a start entered.</p>
            ) : (
              <Plain
                label="Motors on the generator"
                columns={[{ title: 'motor' }, { title: 'beside', right: true }, { title: 'volts dip', right: true }, { title: '' }]}
                rows={answer.starts.map((s) => ({
                  id: s.id,
                  cells: [
                    s.name,
                    `${round3(s.besidesKva)} kVA`,
                    `${round3(100 * s.dip)} %`,
                    s.passes ? (
                      'starts'
                    ) : (
                      <b key="b" className="font-semibold text-lead">
                        too much
                      </b>
                    ),
                  ],
                }))}
              />
            )}
            <p className="mt-1 text-[12px] text-quiet">
              {answer.startKva === null
                ? ''
                : `Its maker allows a start of ${round3(answer.startKva)} kVA, which decides; by its reactance `}
              {round3(100 * answer.mostDip)} % is the most; {round3(answer.leastKva)} kVA would do for what is wanted together.
            </p>
          </div>
          <div>
            <h3 className="font-semibold">A day</h3>
            <Plain
              label="Days of the generator"
              columns={[
                { title: 'way of living' },
                { title: 'runs', right: true },
                { title: 'fuel', right: true },
                { title: 'wants', right: true },
              ]}
              rows={answer.days.map((d) => ({
                id: d.livingId,
                cells: [
                  d.name,
                  d.hours > 0 ? `${round3(d.hours)} h at ${Math.round(100 * d.part)} %` : 'not',
                  d.hours > 0 ? show(d.litres, 'L', design.boat) : '–',
                  d.needsH === null ? '–' : `${round3(d.needsH)} h`,
                ],
              }))}
            />
            <p className="mt-1 text-[12px] text-quiet">
              Wants: hours that make what the day lacks otherwise, at full charging current. The hours it runs are drawn in the day: Bank,
              the day.
            </p>
          </div>
        </div>
      ) : null}
      <Start source={source} machine={g} put={put} start={answer?.start ?? null} />
      <p className="caution mt-2 max-w-[760px]">
        Carbon monoxide kills asleep: exhaust clear, alarms in every cabin. Start switch locked off before any work: it may start by itself.
      </p>
    </>
  );
}

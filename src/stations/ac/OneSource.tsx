'use client';
import type { Finding } from '@/core';
import type { GeneratorAnswer } from '@/core/ac/genset';
import type { InverterAnswer } from '@/core/ac/inverter';
import { cordPct } from '@/core/ac/circuits';
import { ASSUMED_PEDESTAL_OHM } from '@/core/ac/services';
import { AC_RESTS, AC_SERVICES, ISOLATIONS, MARKS, type AcSource } from '@/core/design';
import { round3, show, sizeName } from '@/core/quantity';
import { CONDUCTORS } from '@/core/rules/conductors';
import { useBoat } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Choice, Figure, OptionalFigure, Tick, Words } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { Findings } from './Findings';
import { Surges } from './Surges';

type Put = (path: readonly string[], value: unknown, label: string) => void;

/** One source: what it gives, what is particular to its kind, and what becomes of it on this boat. */
export function OneSource({
  source,
  inverter,
  generator,
  findings,
}: {
  source: AcSource;
  inverter: InverterAnswer | undefined;
  generator: GeneratorAnswer | undefined;
  findings: readonly Finding[];
}) {
  const { design } = useBoat();
  const root = usePut();
  const put: Put = (path, value, label) => root(['acSources', source.id, ...path], value, `${label} of ${source.name}`);
  return (
    <section className="mt-4 max-w-[1100px]" aria-label={source.name}>
      <h2 className="border-b-[1.5px] border-ink pb-1 font-semibold">{source.name}</h2>
      <div className="-mx-4 mt-2">
        <Findings list={findings} label={`Findings of ${source.name}`} />
      </div>
      <div className="mt-2 grid grid-cols-6 items-end gap-3">
        <Words label="name" value={source.name} onChange={(t) => t && put(['name'], t, 'name')} />
        <Choice label="service" value={source.service} options={AC_SERVICES} onChange={(v) => put(['service'], v, 'service')} />
        <Figure
          label={source.kind === 'shore' ? 'inlet and cord' : 'output breaker'}
          kind="A"
          value={source.ratedA}
          low={0}
          high={400}
          onChange={(v) => put(['ratedA'], v, 'rating')}
        />
        <Choice
          label="place"
          value={source.placeId ?? ''}
          options={['', ...design.places.map((p) => p.id)]}
          names={{ '': 'none yet', ...Object.fromEntries(design.places.map((p) => [p.id, p.name])) }}
          onChange={(v) => put(['placeId'], v || null, 'place')}
        />
        <Choice label="figures are" value={source.mark} options={MARKS} onChange={(v) => put(['mark'], v, 'source of figures')} />
        <OptionalFigure label="mass" kind="kg" value={source.massKg} low={0} high={5000} onChange={(v) => put(['massKg'], v, 'mass')} />
        <OptionalFigure
          label="price"
          kind="none"
          value={source.price}
          low={0}
          high={10000000}
          onChange={(v) => put(['price'], v, 'price')}
        />
        {source.kind === 'shore' ? null : (
          <Tick label="neutral bonded to earth here" value={source.bonded} onChange={(v) => put(['bonded'], v, 'bond')} />
        )}
      </div>
      {source.shore ? <Shore source={source} shore={source.shore} put={put} /> : null}
      {source.generator ? <Generator machine={source.generator} put={put} answer={generator} /> : null}
      {source.inverter ? <Inverter source={source} machine={source.inverter} put={put} answer={inverter} /> : null}
    </section>
  );
}

function Shore({ source, shore, put }: { source: AcSource; shore: NonNullable<AcSource['shore']>; put: Put }) {
  const { design } = useBoat();
  const sizes = CONDUCTORS[shore.cordSize.school];
  return (
    <>
      <h3 className="mt-4 font-semibold">Cord, inlet, isolation</h3>
      <div className="mt-1 grid grid-cols-6 items-end gap-3">
        <Figure label="cord" kind="m" value={shore.cordM} low={1} high={100} onChange={(v) => put(['shore', 'cordM'], v, 'cord')} />
        <Choice
          label="cord of"
          value={shore.cordSize.size}
          options={sizes.map((s) => s.size)}
          names={Object.fromEntries(sizes.map((s) => [s.size, sizeName(s.school, s.size)]))}
          onChange={(size) => put(['shore', 'cordSize'], { school: shore.cordSize.school, size }, 'cord')}
        />
        <OptionalFigure
          label={`pedestal; empty: ${ASSUMED_PEDESTAL_OHM} Ω, assumed`}
          kind="none"
          value={shore.pedestalOhm}
          low={0}
          high={10}
          onChange={(v) => put(['shore', 'pedestalOhm'], v, 'pedestal')}
        />
        <OptionalFigure
          label="volts there, measured"
          kind="V"
          value={shore.pedestalV}
          low={0}
          high={300}
          onChange={(v) => put(['shore', 'pedestalV'], v, 'volts')}
        />
        <Figure
          label="inlet to main breaker"
          kind="m"
          value={shore.breakerAtM}
          low={0}
          high={30}
          onChange={(v) => put(['shore', 'breakerAtM'], v, 'distance of the breaker')}
        />
        <Tick label="sheathed up to it" value={shore.sheathed} onChange={(v) => put(['shore', 'sheathed'], v, 'sheath')} />
        <Choice
          label="in the earth"
          value={shore.isolation}
          options={ISOLATIONS}
          onChange={(v) => put(['shore', 'isolation'], v, 'isolation')}
        />
      </div>
      <p className="mt-2 max-w-[760px] text-quiet">
        The cord loses {round3(cordPct(source, source.ratedA))} % at {source.ratedA} A
        {shore.pedestalV === null
          ? ''
          : `: ${round3(shore.pedestalV * (1 - cordPct(source, source.ratedA) / 100))} V at the inlet of ${round3(shore.pedestalV)} V measured`}
        . The main&apos;s leakage trip and poles stand with its run under runs and panels.
      </p>
      <p className="caution mt-2 max-w-[760px]">
        The lead goes in aboard first and ashore last, out the other way round; never in the water, never coiled under load. A fault into
        the water kills swimmers beside a dock{design.boat.acRegion === '230 V' ? '' : ', in fresh water above all'}.
      </p>
    </>
  );
}

function Generator({
  machine: g,
  put,
  answer,
}: {
  machine: NonNullable<AcSource['generator']>;
  put: Put;
  answer: GeneratorAnswer | undefined;
}) {
  const { design } = useBoat();
  const coils = design.loads.filter((l) => l.behaviour !== 'power');
  return (
    <>
      <h3 className="mt-4 font-semibold">Plate and fuel</h3>
      <div className="mt-1 grid grid-cols-6 items-end gap-3">
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
        <Figure
          label="idle, L/h"
          kind="none"
          value={g.idleLph}
          low={0}
          high={50}
          onChange={(v) => put(['generator', 'idleLph'], v, 'fuel')}
        />
        <Figure
          label="full, L/h"
          kind="none"
          value={g.fullLph}
          low={0}
          high={100}
          onChange={(v) => put(['generator', 'fullLph'], v, 'fuel')}
        />
        <Choice
          label="remote start, its coil"
          value={g.startLoadId ?? ''}
          options={['', ...coils.map((l) => l.id)]}
          names={{ '': 'no row', ...Object.fromEntries(coils.map((l) => [l.id, l.name])) }}
          onChange={(v) => put(['generator', 'startLoadId'], v || null, 'remote start')}
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
                  d.hours > 0 ? `${round3(d.litres)} L` : '–',
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
      {answer?.start ? (
        <p className="mt-2">
          Remote start: {answer.start.volts.toFixed(2)} V at the solenoid while the starter turns; it pulls in at{' '}
          {answer.start.pullInV.toFixed(2)} V.
        </p>
      ) : null}
      <p className="caution mt-2 max-w-[760px]">
        Carbon monoxide kills asleep: exhaust clear, alarms in every cabin. Start switch locked off before any work: it may start by itself.
      </p>
    </>
  );
}

function Inverter({
  source,
  machine: i,
  put,
  answer,
}: {
  source: AcSource;
  machine: NonNullable<AcSource['inverter']>;
  put: Put;
  answer: InverterAnswer | undefined;
}) {
  const { design } = useBoat();
  const rows = design.loads.filter((l) => l.group === 'heavy' || l.id === i.loadId);
  const chargers = design.sources.filter((s) => s.kind === 'shore charger');
  const school = design.boat.ruleSet;
  const volts = (v: number) => (Number.isNaN(v) ? 'not wired' : v > 0 ? `${v.toFixed(2)} V` : 'collapses');
  return (
    <>
      <h3 className="mt-4 font-semibold">Plate</h3>
      <div className="mt-1 grid grid-cols-6 items-end gap-3">
        <Figure
          label="continuous, VA"
          kind="none"
          value={i.va}
          low={0}
          high={50000}
          onChange={(v) => put(['inverter', 'va'], v, 'rating')}
        />
        <Figure label="at" kind="C" value={i.atC} low={0} high={60} onChange={(v) => put(['inverter', 'atC'], v, 'rating')} />
        <Figure
          label="less, % a °C above"
          kind="none"
          value={i.lossPctPerC}
          low={0}
          high={10}
          onChange={(v) => put(['inverter', 'lossPctPerC'], v, 'rating')}
        />
        <Figure
          label="efficiency"
          kind="none"
          value={i.efficiency}
          low={0.3}
          high={1}
          onChange={(v) => put(['inverter', 'efficiency'], v, 'efficiency')}
        />
        <Figure label="idles at" kind="W" value={i.idleW} low={0} high={500} onChange={(v) => put(['inverter', 'idleW'], v, 'idling')} />
        <OptionalFigure
          label="asleep (empty: does not)"
          kind="W"
          value={i.sleepW}
          low={0}
          high={200}
          onChange={(v) => put(['inverter', 'sleepW'], v, 'sleep')}
        />
        <Choice label="while nothing draws" value={i.rest} options={AC_RESTS} onChange={(v) => put(['inverter', 'rest'], v, 'rest')} />
        <Choice
          label="its DC side"
          value={i.loadId ?? ''}
          options={['', ...rows.map((l) => l.id)]}
          names={{ '': 'no row yet', ...Object.fromEntries(rows.map((l) => [l.id, l.name])) }}
          onChange={(v) => put(['inverter', 'loadId'], v || null, 'DC side')}
        />
        <Choice
          label="charger in the same case"
          value={i.chargerId ?? ''}
          options={['', ...chargers.map((s) => s.id)]}
          names={{ '': 'none', ...Object.fromEntries(chargers.map((s) => [s.id, s.name])) }}
          onChange={(v) => put(['inverter', 'chargerId'], v || null, 'charger')}
        />
        <OptionalFigure
          label="passes on (empty: nothing)"
          kind="A"
          value={i.passA}
          low={1}
          high={400}
          onChange={(v) => put(['inverter', 'passA'], v, 'transfer')}
        />
        <Tick
          label="its transfer opens the neutral"
          value={i.opensNeutral}
          onChange={(v) => put(['inverter', 'opensNeutral'], v, 'transfer')}
        />
        <Figure
          label="into a short, times its rating"
          kind="none"
          value={i.faultTimes}
          low={1}
          high={10}
          onChange={(v) => put(['inverter', 'faultTimes'], v, 'fault current')}
        />
        <Choice
          label="case earth"
          value={i.caseSize?.size ?? ''}
          options={['', ...CONDUCTORS[school].map((s) => s.size)]}
          names={{
            '': 'as the main side has it',
            ...Object.fromEntries(CONDUCTORS[school].map((s) => [s.size, sizeName(school, s.size)])),
          }}
          onChange={(v) => put(['inverter', 'caseSize'], v ? { school, size: v } : null, 'case earth')}
        />
        <Tick label="free air as its maker asks" value={i.aired} onChange={(v) => put(['inverter', 'aired'], v, 'air')} />
        <Tick label="nothing can drip into it" value={i.dry} onChange={(v) => put(['inverter', 'dry'], v, 'drips')} />
      </div>
      <Surges surges={i.surges} onChange={(surges) => put(['inverter', 'surges'], surges, 'surges')} />
      {answer ? (
        <>
          <h3 className="mt-4 font-semibold">On this boat, at {Math.round(100 * design.acRules.inverterSoc)} % charge</h3>
          <Plain
            label={`${source.name} on this boat`}
            columns={[{ title: '' }, { title: 'wanted together', right: true }, { title: 'full output', right: true }]}
            rows={[
              { id: 'va', cells: ['output, VA', round3(answer.wantedVa), round3(answer.va)] },
              { id: 'v', cells: ['volts at its posts', volts(answer.dcV), volts(answer.fullV)] },
              { id: 'a', cells: ['amps from the battery', answer.dcW > 0 ? round3(answer.dcA) : '–', round3(answer.fullA)] },
              {
                id: 'h',
                cells: [
                  'heating cable and fuse, A',
                  '',
                  `${round3(answer.heatingA)}${answer.wired ? ` of ${round3(answer.wired.izA)}` : ''}`,
                ],
              },
              {
                id: 'f',
                cells: [
                  'its fuse',
                  '',
                  answer.wired
                    ? answer.wired.fused
                      ? `${round3(answer.wired.ratingA)} A ${answer.wired.deviceName}`
                      : 'none'
                    : 'not wired',
                ],
              },
              {
                id: 'l',
                cells: [
                  'its DC cable, one way',
                  answer.wired ? (answer.wired.disconnect ? 'with a disconnect' : 'without a disconnect') : '',
                  answer.wired
                    ? `${sizeName(answer.wired.conductor.school, answer.wired.conductor.size)}, ${show(answer.wired.lengthM, 'm', design.boat)}`
                    : 'not wired',
                ],
              },
              {
                id: 'c',
                cells: [
                  'case earth, at least',
                  answer.caseHas ? `has ${sizeName(answer.caseHas.school, answer.caseHas.size)}` : 'has none',
                  answer.caseWanted ? sizeName(answer.caseWanted.school, answer.caseWanted.size) : '–',
                ],
              },
              {
                id: 't',
                cells: [
                  `hours, from full and from ${Math.round(100 * design.acRules.inverterSoc)} %`,
                  Number.isFinite(answer.hoursFromFull) ? `${round3(answer.hoursFromFull)} and ${round3(answer.hoursFromSoc)} h` : '–',
                  '',
                ],
              },
              {
                id: 'i',
                cells: [
                  'left on a day; asleep',
                  `${round3(answer.idleAhDay)} Ah${answer.sleepAhDay === null ? '' : `; ${round3(answer.sleepAhDay)} Ah`}`,
                  answer.sleepAhDay === null ? '' : `sleep saves ${round3(answer.idleAhDay - answer.sleepAhDay)} Ah`,
                ],
              },
            ]}
          />
          {answer.starts.length > 0 ? (
            <p className="mt-1">
              {answer.starts.map((s) => (
                <span key={s.id} className="mr-4">
                  {s.name} starting: {round3(s.va)} VA of {round3(s.bearsVa)} VA for {round3(s.seconds)} s{' '}
                  {s.passes ? '' : <b className="font-semibold text-lead">too much</b>}
                </span>
              ))}
            </p>
          ) : null}
        </>
      ) : null}
      <p className="caution mt-3 max-w-[760px]">
        It makes mains volts from the battery whatever the shore lead does. Asleep it looks dead to every tester and wakes when touched: DC
        disconnect open, locked and tagged before any work. Before a 24 or 48 V disconnect is closed its capacitors are charged through a
        resistor. The maker&apos;s fuse, cable and clearances come first.
      </p>
    </>
  );
}

'use client';
import type { InverterAnswer } from '@/core/network';
import { AC_RESTS, type AcSource, sameCaseOps } from '@/core/design';
import { round3, show, sizeName } from '@/core/quantity';
import { CONDUCTORS } from '@/core/rules';
import { useDesign, useStore } from '@/ui/boat/context';
import { Choice, Figure, OptionalFigure, Tick } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import type { Put } from '@/ui/boat/put';
import { Surges } from './Surges';

/** An inverter: its plate, and what becomes of it on this boat's battery. */
export function InverterFacts({
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
  const design = useDesign();
  const store = useStore();
  const rows = design.loads.filter((l) => l.group === 'heavy' || l.id === i.loadId);
  const chargers = design.sources.filter((s) => s.kind === 'shore charger');
  const school = design.boat.ruleSet;
  const volts = (v: number) => (Number.isNaN(v) ? 'not wired' : v > 0 ? `${v.toFixed(2)} V` : 'collapses');
  return (
    <>
      <h3 className="mt-4 font-semibold">Plate</h3>
      <div className="mt-1 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Figure
          label="continuous, VA"
          kind="none"
          value={i.va}
          low={0}
          high={50000}
          onChange={(v) => put(['inverter', 'va'], v, 'rating')}
        />
        <Figure
          label="of these in parallel"
          kind="none"
          value={i.units}
          low={1}
          high={6}
          onChange={(v) => put(['inverter', 'units'], Math.round(v), 'units')}
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
          onChange={(v) => store.edit(`charger of ${source.name}`, sameCaseOps(design, source.id, v || null))}
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
        <Tick
          label="capacitors charged before its disconnect closes"
          value={i.precharge}
          onChange={(v) => put(['inverter', 'precharge'], v, 'pre-charge')}
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

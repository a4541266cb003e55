'use client';
import { MARKS, round3 } from '@/core/quantity';
import { SENSE_AT, SENSORS, SLOPE_UNITS, type Source, sourcesAboard } from '@/core/design';
import type { Fill } from '@/core/energy';
import { TYPICAL_PATH_OHM } from '@/core/rules';
import { useAnalysis, useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Choice, Figure, OptionalFigure, Tick, Words } from '@/ui/field';
import { AlternatorFacts } from './AlternatorFacts';
import { Candidate } from './Candidate';
import { ChargerFacts, DcdcFacts, SolarFacts, WindFacts, type PutSource } from './KindFacts';

/** One source: where it goes, how it is regulated, and what is particular to its kind. */
export function OneSource({ source, fill }: { source: Source; fill: Fill | undefined }) {
  const design = useDesign();
  const root = usePut();
  const put: PutSource = (path, value, label) => root(['sources', source.id, ...path], value, `${label} of ${source.name}`);
  const { regulator: r } = source;
  const run = useAnalysis().paths[source.id];
  const banks = { '': 'none', ...Object.fromEntries(design.banks.map((b) => [b.id, b.name])) };
  const bankIds = ['', ...design.banks.map((b) => b.id)];
  const through = design.joins.filter((j) => j.kind !== 'relay');
  const charging = design.loads.filter((l) => l.group === 'charging' || l.id === source.loadId);
  const volts = (key: 'absorptionV' | 'floatV', label: string) => (
    <Figure label={label} kind="V" value={r[key]} low={1} high={80} onChange={(v) => put(['regulator', key], v, label)} />
  );
  return (
    <section className="mt-4 max-w-[1100px]" aria-label={source.name}>
      <h2 className="border-b-[1.5px] border-ink pb-1 font-semibold">{source.name}</h2>
      {fill ? (
        <p className="mt-1 max-w-[760px]">
          <span className="text-quiet">Output and bank:</span> gives {round3(fill.givesA)} A, the bank takes up to {round3(fill.takesA)} A;{' '}
          {fill.advice}.
        </p>
      ) : null}
      <Candidate source={source} />
      <div className="mt-2 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Words label="name" value={source.name} onChange={(t) => t && put(['name'], t, 'name')} />
        <Choice
          label="instead of"
          value={source.insteadOfId ?? ''}
          options={['', ...sourcesAboard(design.sources).flatMap((s) => (s.id === source.id ? [] : [s.id]))]}
          names={{ '': 'nothing: it is aboard', ...Object.fromEntries(design.sources.map((s) => [s.id, s.name])) }}
          onChange={(v) => put(['insteadOfId'], v || null, 'what it may replace')}
        />
        <Choice
          label="charges"
          value={source.bankId ?? ''}
          options={bankIds}
          names={banks}
          onChange={(v) => put(['bankId'], v || null, 'bank')}
        />
        <Choice
          label="through"
          value={source.joinId ?? ''}
          options={['', ...through.map((j) => j.id)]}
          names={{ '': 'nothing', ...Object.fromEntries(through.map((j) => [j.id, j.name])) }}
          onChange={(v) => put(['joinId'], v || null, 'splitter or selector')}
        />
        <Figure label="rated" kind="A" value={source.ratedA} low={0} high={2000} onChange={(v) => put(['ratedA'], v, 'rating')} />
        <OptionalFigure
          label={
            source.pathMohm !== null
              ? 'path, mΩ'
              : run === undefined
                ? `path; typical ${TYPICAL_PATH_OHM * 1000}, mΩ`
                : `path; of its run ${run}, mΩ`
          }
          kind="none"
          value={source.pathMohm}
          low={0}
          high={1000}
          onChange={(v) => put(['pathMohm'], v, 'path')}
        />
        <Choice label="figures are" value={source.mark} options={MARKS} onChange={(v) => put(['mark'], v, 'source of figures')} />
        <Choice
          label="place"
          value={source.placeId ?? ''}
          options={['', ...design.places.map((p) => p.id)]}
          names={{ '': 'none yet', ...Object.fromEntries(design.places.map((p) => [p.id, p.name])) }}
          onChange={(v) => put(['placeId'], v || null, 'place')}
        />
        <Choice
          label="its cable is that of"
          value={source.loadId ?? ''}
          options={['', ...charging.map((l) => l.id)]}
          names={{ '': 'no row yet', ...Object.fromEntries(charging.map((l) => [l.id, l.name])) }}
          onChange={(v) => put(['loadId'], v || null, 'row of the load sheet')}
        />
        <OptionalFigure label="mass" kind="kg" value={source.massKg} low={0} high={1000} onChange={(v) => put(['massKg'], v, 'mass')} />
        <OptionalFigure
          label="price"
          kind="none"
          value={source.price}
          low={0}
          high={10000000}
          onChange={(v) => put(['price'], v, 'price')}
        />
        {source.alternator ? null : (
          <Tick
            label="ignition protected"
            value={source.ignitionProtected}
            onChange={(v) => put(['ignitionProtected'], v, 'ignition protection')}
          />
        )}
        {source.kind === 'DC–DC' ? (
          <Choice
            label="draws from"
            value={source.fromBankId ?? ''}
            options={bankIds}
            names={banks}
            onChange={(v) => put(['fromBankId'], v || null, 'input')}
          />
        ) : null}
      </div>
      <h3 className="mt-4 font-semibold">Regulation</h3>
      <div className="mt-1 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Tick label="three stages" value={r.staged} onChange={(v) => put(['regulator', 'staged'], v, 'stages')} />
        {volts('absorptionV', r.staged ? 'absorption' : 'fixed at')}
        {r.staged ? volts('floatV', 'float') : null}
        <OptionalFigure
          label="equalise (empty: off)"
          kind="V"
          value={r.equaliseV}
          low={1}
          high={85}
          onChange={(v) => put(['regulator', 'equaliseV'], v, 'equalise')}
        />
        <Choice label="senses at" value={r.sense} options={SENSE_AT} onChange={(v) => put(['regulator', 'sense'], v, 'sense')} />
        <Choice label="sensor" value={r.sensor} options={SENSORS} onChange={(v) => put(['regulator', 'sensor'], v, 'sensor')} />
        <Figure
          label="slope"
          kind="none"
          value={r.slope.value}
          low={-2000}
          high={2000}
          onChange={(v) => put(['regulator', 'slope'], { ...r.slope, value: v }, 'slope')}
        />
        <Choice
          label="slope is in"
          value={r.slope.unit}
          options={SLOPE_UNITS}
          onChange={(unit) => put(['regulator', 'slope'], { ...r.slope, unit }, 'slope')}
        />
        <Figure label="tapers over" kind="V" value={r.bandV} low={0.01} high={2} onChange={(v) => put(['regulator', 'bandV'], v, 'band')} />
        <Figure
          label="tolerance"
          kind="V"
          value={r.toleranceV}
          low={0}
          high={2}
          onChange={(v) => put(['regulator', 'toleranceV'], v, 'tolerance')}
        />
        {r.staged ? (
          <>
            <OptionalFigure
              label="tail (empty: the bank's)"
              kind="A"
              value={r.tailA}
              low={0.1}
              high={500}
              onChange={(v) => put(['regulator', 'tailA'], v, 'tail')}
            />
            <Figure
              label="absorption at least, min"
              kind="none"
              value={r.minMin}
              low={0}
              high={600}
              onChange={(v) => put(['regulator', 'minMin'], v, 'time')}
            />
            <Figure
              label="at most, min"
              kind="none"
              value={r.maxMin}
              low={1}
              high={1440}
              onChange={(v) => put(['regulator', 'maxMin'], v, 'time')}
            />
            <OptionalFigure
              label="bulk again below"
              kind="V"
              value={r.rebulkV}
              low={1}
              high={70}
              onChange={(v) => put(['regulator', 'rebulkV'], v, 'bulk again')}
            />
            <Figure
              label="for, min"
              kind="none"
              value={r.rebulkMin}
              low={0}
              high={240}
              onChange={(v) => put(['regulator', 'rebulkMin'], v, 'bulk again')}
            />
          </>
        ) : null}
        <Tick
          label="safe when its sensor is lost"
          value={r.safeOnSensorLoss}
          onChange={(v) => put(['regulator', 'safeOnSensorLoss'], v, 'sensor loss')}
        />
      </div>
      {source.alternator ? <AlternatorFacts source={source} put={put} /> : null}
      {source.charger ? <ChargerFacts source={source} put={put} /> : null}
      {source.dcdc ? <DcdcFacts source={source} put={put} /> : null}
      {source.solar ? <SolarFacts source={source} put={put} /> : null}
      {source.wind ? <WindFacts source={source} put={put} /> : null}
    </section>
  );
}

'use client';
import { MARKS } from '@/core/quantity';
import type { GeneratorAnswer, InverterAnswer } from '@/core/network';
import { AC_SERVICES, type AcSource } from '@/core/design';
import type { Finding } from '@/core';
import { useDesign } from '@/ui/boat/context';
import { usePut, type Put } from '@/ui/boat/put';
import { Choice, Figure, OptionalFigure, Tick, Words } from '@/ui/field';
import { Findings } from './Findings';
import { GeneratorFacts } from './GeneratorFacts';
import { InverterFacts } from './InverterFacts';
import { ShoreFacts } from './ShoreFacts';

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
  const design = useDesign();
  const root = usePut();
  const put: Put = (path, value, label) => root(['acSources', source.id, ...path], value, `${label} of ${source.name}`);
  return (
    <section className="mt-4 max-w-[1100px]" aria-label={source.name}>
      <h2 className="border-b-[1.5px] border-ink pb-1 font-semibold">{source.name}</h2>
      <div className="-mx-4 mt-2">
        <Findings list={findings} label={`Findings of ${source.name}`} />
      </div>
      <div className="mt-2 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
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
        {source.kind === 'shore' ? null : (
          <Tick
            label="ignition protected"
            value={source.ignitionProtected}
            onChange={(v) => put(['ignitionProtected'], v, 'ignition protection')}
          />
        )}
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
      {source.shore ? <ShoreFacts source={source} shore={source.shore} put={put} /> : null}
      {source.generator ? <GeneratorFacts source={source} machine={source.generator} put={put} answer={generator} /> : null}
      {source.inverter ? <InverterFacts source={source} machine={source.inverter} put={put} answer={inverter} /> : null}
    </section>
  );
}

'use client';
import { ASSUMED_PEDESTAL_OHM, cordPct, earthRun } from '@/core/ac';
import { type AcSource, ISOLATIONS } from '@/core/design';
import { round3, show, sizeName } from '@/core/quantity';
import { CONDUCTORS } from '@/core/rules';
import { useDesign } from '@/ui/boat/context';
import { Choice, Figure, OptionalFigure, Tick } from '@/ui/field';
import type { Put } from '@/ui/boat/put';

/** The isolator or transformer as a thing: where it is, what it bears, the earth through it. */
function IsolatorFacts({ source, shore, put }: { source: AcSource; shore: NonNullable<AcSource['shore']>; put: Put }) {
  const design = useDesign();
  const { isolator } = shore;
  const school = design.boat.ruleSet;
  const run = earthRun(design, source);
  const blank = { placeId: null, ratedA: null, earthM: null, earthSize: null };
  if (!isolator)
    return (
      <p className="mt-2">
        <button type="button" className="act" onClick={() => put(['shore', 'isolator'], blank, 'isolator')}>
          enter the {shore.isolation}: place, rating, earth
        </button>
      </p>
    );
  return (
    <>
      <h3 className="mt-4 font-semibold">The {shore.isolation}</h3>
      <div className="mt-1 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Choice
          label="it is in"
          value={isolator.placeId ?? ''}
          options={['', ...design.places.map((p) => p.id)]}
          names={{ '': 'no place yet', ...Object.fromEntries(design.places.map((p) => [p.id, p.name])) }}
          onChange={(v) => put(['shore', 'isolator', 'placeId'], v || null, 'place of the isolator')}
        />
        <OptionalFigure
          label="bears for good; empty: not read"
          kind="A"
          value={isolator.ratedA}
          low={1}
          high={400}
          onChange={(v) => put(['shore', 'isolator', 'ratedA'], v, 'rating of the isolator')}
        />
        <OptionalFigure
          label="earth, taped; empty: by places"
          kind="m"
          value={isolator.earthM}
          low={0.1}
          high={60}
          onChange={(v) => put(['shore', 'isolator', 'earthM'], v, 'earth run')}
        />
        <Choice
          label="earth of"
          value={isolator.earthSize?.size ?? ''}
          options={['', ...CONDUCTORS[school].map((s) => s.size)]}
          names={{ '': 'as wanted', ...Object.fromEntries(CONDUCTORS[school].map((s) => [s.size, sizeName(school, s.size)])) }}
          onChange={(v) => put(['shore', 'isolator', 'earthSize'], v ? { school, size: v } : null, 'earth run')}
        />
      </div>
      {run ? (
        <p className="mt-1 text-quiet">
          {run.isolation === 'galvanic isolator' ? 'Inlet to isolator to AC earth bar' : 'Secondary to AC earth bar'}:{' '}
          {show(run.lengthM, 'm', design.boat)} of {sizeName(run.conductor.school, run.conductor.size)}, at least{' '}
          {sizeName(run.least.school, run.least.size)} behind {round3(source.ratedA)} A.
        </p>
      ) : null}
    </>
  );
}

/** A shore inlet: cord, pedestal, what stands in the earth. */
export function ShoreFacts({ source, shore, put }: { source: AcSource; shore: NonNullable<AcSource['shore']>; put: Put }) {
  const design = useDesign();
  const sizes = CONDUCTORS[shore.cordSize.school];
  return (
    <>
      <h3 className="mt-4 font-semibold">Cord, inlet, isolation</h3>
      <div className="mt-1 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
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
        <Choice
          label="inlet’s terminals, °C"
          value={String(shore.terminalC ?? '')}
          options={['', '60', '75']}
          names={{ '': 'by school' }}
          onChange={(v) => put(['shore', 'terminalC'], v === '' ? null : Number(v), 'terminals')}
        />
      </div>
      {shore.isolation === 'none' ? null : <IsolatorFacts source={source} shore={shore} put={put} />}
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

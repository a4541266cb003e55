'use client';
import { ASSUMED_PEDESTAL_OHM, cordPct } from '@/core/ac';
import { type AcSource, ISOLATIONS } from '@/core/design';
import { round3, sizeName } from '@/core/quantity';
import { CONDUCTORS } from '@/core/rules';
import { useDesign } from '@/ui/boat/context';
import { Choice, Figure, OptionalFigure, Tick } from '@/ui/field';
import type { Put } from '@/ui/boat/put';

/** A shore inlet: cord, pedestal, what stands in the earth. */
export function ShoreFacts({ source, shore, put }: { source: AcSource; shore: NonNullable<AcSource['shore']>; put: Put }) {
  const design = useDesign();
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

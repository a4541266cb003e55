'use client';
import { useDesign } from '@/ui/boat/context';
import { round3, show } from '@/core/quantity';

/** A panel's legend at true size, a cell a way. */
export function LegendStrip({
  name,
  pitchMm,
  ways,
}: {
  name: string;
  pitchMm: number;
  ways: readonly { readonly way: number; readonly circuitId: string | null; readonly name: string; readonly ratingA: number | null }[];
}) {
  return (
    <figure className="keep mt-2" aria-label={`Legend strip of ${name}`}>
      <figcaption className="text-[12px] text-quiet">
        Legend strip at true size, {show(pitchMm, 'mm', useDesign().boat)} a way: print at 100 %, measure one way before cutting.
      </figcaption>
      <div className="flex flex-wrap gap-y-2">
        {ways.map((w) => (
          <div
            key={w.way}
            className="flex flex-col justify-center overflow-hidden border border-ink text-center text-[7pt] leading-[1.05]"
            style={{ width: `${pitchMm}mm`, height: '14mm', padding: '0.5mm' }}
          >
            <b className="font-semibold">{w.circuitId === null ? '' : w.name}</b>
            <span>{w.ratingA === null ? '' : `${round3(w.ratingA)} A`}</span>
          </div>
        ))}
      </div>
    </figure>
  );
}

'use client';
import { round3, show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';

interface FaceWay {
  readonly way: number;
  readonly circuitId: string | null;
  readonly no: string;
  readonly name: string;
  readonly ratingA: number | null;
}

/** Ways in a column of a face; more stand in another beside it. */
const IN_A_COLUMN = 12;
/** Of a face, mm: its rim, the opening of a way, the legend beside it. */
const RIM_MM = 9;
const OPENING_MM = 24;
const LEGEND_MM = 62;
const PX_PER_MM = 2.7;
/** Type on it, mm: 11 px. */
const TYPE_MM = 11.5 / PX_PER_MM;

/** A panel as its face is seen, everything in proportion: ways one below the other at their pitch, rating in the opening, legend beside it; a spare way is blank. */
export function PanelFace({
  name,
  pitchMm,
  ways,
  onChoose,
}: {
  name: string;
  pitchMm: number;
  ways: readonly FaceWay[];
  onChoose?: ((circuitId: string) => void) | undefined;
}) {
  const { boat } = useDesign();
  if (ways.length === 0) return null;
  const columns = Math.ceil(ways.length / IN_A_COLUMN);
  const rows = Math.ceil(ways.length / columns);
  const column = OPENING_MM + LEGEND_MM;
  const [width, height] = [2 * RIM_MM + columns * column, 2 * RIM_MM + rows * pitchMm];
  const spare = ways.filter((w) => w.circuitId === null).length;
  const letters = Math.floor((LEGEND_MM - 3) / (TYPE_MM * 0.52));
  return (
    <figure className="inline-block align-top" aria-label={`Face of ${name}`}>
      <figcaption className="text-[12px]">
        <b className="font-semibold">{name}</b>{' '}
        <span className="text-quiet">
          {ways.length} ways, {spare} spare; {show(width, 'mm', boat)} × {show(height, 'mm', boat)} with a rim, in proportion
        </span>
      </figcaption>
      <svg
        role="img"
        aria-label={`${name}: ${ways.map((w) => `way ${w.way}, ${w.circuitId === null ? 'spare' : w.name}`).join('; ')}`}
        width={width * PX_PER_MM}
        height={height * PX_PER_MM}
        viewBox={`0 0 ${width} ${height}`}
        className="mt-1"
      >
        <rect x={0.2} y={0.2} width={width - 0.4} height={height - 0.4} className="fill-sheet stroke-ink" strokeWidth={0.4} />
        {ways.map((w, i) => {
          const x = RIM_MM + Math.floor(i / rows) * column;
          const y = RIM_MM + (i % rows) * pitchMm;
          const tall = Math.min(pitchMm - 3, 14);
          const top = y + (pitchMm - tall) / 2;
          const text = `${w.no} ${w.name}`.trim();
          const id = w.circuitId;
          return (
            <g key={w.way} onClick={id && onChoose ? () => onChoose(id) : undefined} className={id && onChoose ? 'cursor-pointer' : ''}>
              <title>{id === null ? `way ${w.way}, spare` : `way ${w.way}: ${text}`}</title>
              <rect
                x={x}
                y={top}
                width={OPENING_MM - 4}
                height={tall}
                className={id === null ? 'fill-film stroke-faint' : 'fill-film stroke-ink'}
                strokeWidth={0.3}
                strokeDasharray={id === null ? '1.2 1.2' : undefined}
              />
              <text
                x={x + (OPENING_MM - 4) / 2}
                y={top + tall / 2}
                dominantBaseline="central"
                textAnchor="middle"
                fontSize={TYPE_MM}
                className="fill-ink font-semibold"
              >
                {w.ratingA === null || id === null ? '' : `${round3(w.ratingA)} A`}
              </text>
              <text
                x={x + OPENING_MM - 1}
                y={top + tall / 2}
                dominantBaseline="central"
                fontSize={TYPE_MM}
                className={id === null ? 'fill-quiet' : 'fill-ink'}
              >
                {id === null ? 'spare' : text.length > letters ? `${text.slice(0, letters - 1)}…` : text}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

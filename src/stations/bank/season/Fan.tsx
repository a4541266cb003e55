import { scaleLinear } from 'd3-scale';
import { QUANTILES, type SeasonResult } from '@/core/energy';

const W = 760;
const H = 210;
const LEFT = 48;
const BOTTOM = 24;

/** Quantiles of the lowest state of charge by day: half of the cruises in the dark band, nine of ten in the light one. */
export function Fan({ result }: { result: SeasonResult }) {
  const { fan, days } = result;
  const x = scaleLinear([1, Math.max(2, days)], [LEFT, W - 10]);
  const y = scaleLinear([0, 100], [H - BOTTOM, 8]);
  const line = (q: number) => fan.map((f, d) => `${d === 0 ? 'M' : 'L'}${x(d + 1).toFixed(1)} ${y(100 * (f[q] ?? 0)).toFixed(1)}`).join('');
  const band = (low: number, high: number) =>
    `${line(low)}${[...fan]
      .map((f, d) => `L${x(d + 1).toFixed(1)} ${y(100 * (f[high] ?? 0)).toFixed(1)}`)
      .reverse()
      .join('')}Z`;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full max-w-[860px]"
      role="img"
      aria-label={`Lowest state of charge by day, ${QUANTILES.map((q) => `${100 * q} %`).join(', ')} of cruises`}
    >
      {y.ticks(5).map((s) => (
        <g key={s}>
          <line x1={LEFT} x2={W - 10} y1={y(s)} y2={y(s)} stroke="var(--line)" />
          <text x={LEFT - 7} y={y(s) + 4} fontSize={11} textAnchor="end" fill="var(--quiet)">
            {s} %
          </text>
        </g>
      ))}
      {x
        .ticks(12)
        .filter(Number.isInteger)
        .map((day) => (
          <text key={day} x={x(day)} y={H - 6} fontSize={11} textAnchor="middle" fill="var(--quiet)">
            {day}
          </text>
        ))}
      <path d={band(0, 4)} fill="var(--wash)" />
      <path d={band(1, 3)} fill="var(--verdigris)" opacity={0.35} />
      <path d={line(2)} fill="none" stroke="var(--verdigris)" strokeWidth={2} />
    </svg>
  );
}

'use client';
import type { VoltsLost } from '@/core/circuit';
import { round3 } from '@/core/quantity';

const WIDTH = 560;
const LEFT = 116;
const BAR = 14;

const mv = (volts: number): string => `${round3(1000 * volts)} mV`;
const PARTS = ['copper', 'devices', 'joints'] as const;

interface Row {
  readonly circuitId: string;
  readonly circuit: string;
  readonly own: boolean;
  readonly volts: number;
  readonly parts: Readonly<Record<(typeof PARTS)[number], number>>;
}

/** One row a circuit of the way, from the bank on. */
function rowsOf(lost: VoltsLost): Row[] {
  const ids = [...new Set(lost.shares.map((s) => s.circuitId))];
  return ids.map((circuitId) => {
    const of = lost.shares.filter((s) => s.circuitId === circuitId);
    const part = (name: (typeof PARTS)[number]) => of.reduce((sum, s) => sum + (s.part === name ? s.volts : 0), 0);
    return {
      circuitId,
      circuit: of[0]?.circuit ?? '',
      own: of[0]?.own ?? false,
      volts: of.reduce((sum, s) => sum + s.volts, 0),
      parts: { copper: part('copper'), devices: part('devices'), joints: part('joints') },
    };
  });
}

/** Where the volts of a whole path go, against what it may lose: one bar at working current, one as it starts. */
export function VoltsBar({ lost }: { lost: readonly VoltsLost[] }) {
  if (lost.length === 0) return null;
  return (
    <figure className="mt-2 border-t border-line pt-1" aria-label="Volts lost, by share" data-testid="volts-lost">
      {lost.map((l) => (
        <OneBar key={l.when} lost={l} />
      ))}
      <figcaption className="text-[12px] text-quiet">
        From the bank’s posts on: full copper, hatched devices and switches, open joints. Shared parts carry what usually flows in them and
        this circuit’s own current.
      </figcaption>
    </figure>
  );
}

function OneBar({ lost }: { lost: VoltsLost }) {
  const rows = rowsOf(lost);
  const total = lost.postsV - lost.loadV;
  const most = 1.08 * Math.max(total, lost.limitV, 1e-6);
  const x = (volts: number) => LEFT + (WIDTH - LEFT) * (volts / most);
  const pct = (volts: number) => `${round3((100 * volts) / lost.nominalV)} %`;
  const parts = rows.flatMap((r, at) => PARTS.map((part) => ({ row: r, at, part, volts: r.parts[part] }))).filter((p) => p.volts > 0);
  const pieces = parts.map((p, i) => ({ ...p, from: parts.slice(0, i).reduce((sum, q) => sum + q.volts, 0) }));
  const limit = `${pct(lost.limitV)}, ${mv(lost.limitV)}`;
  const said = `${lost.when}, to ${lost.tap}: ${mv(total)} of ${mv(lost.limitV)} lost; ${rows.map((r) => `${r.circuit} ${mv(r.volts)}`).join(', ')}`;
  return (
    <div className="flex flex-wrap items-start gap-x-5">
      <svg role="img" aria-label={said} width={WIDTH + 84} height={46} className="block flex-none">
        <defs>
          <pattern id="volts-hatch" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" x2="0" y1="0" y2="4" stroke="var(--ink)" strokeWidth="1.6" />
          </pattern>
        </defs>
        <text x={0} y={27} className={`text-[12px] ${lost.passes ? '' : 'font-bold'}`} fill={lost.passes ? 'var(--ink)' : 'var(--lead)'}>
          {lost.when === 'as it starts' ? 'volts, starting' : 'volts, working'}
        </text>
        {pieces.map((p) => {
          const tone = p.row.own ? 'var(--verdigris)' : p.at % 2 ? 'var(--faint)' : 'var(--quiet)';
          return (
            <rect
              key={`${p.row.circuitId}-${p.part}`}
              x={x(p.from)}
              y={16}
              width={Math.max(0.6, x(p.from + p.volts) - x(p.from))}
              height={BAR}
              fill={p.part === 'copper' ? tone : p.part === 'devices' ? 'url(#volts-hatch)' : 'var(--sheet)'}
              stroke={tone}
            >
              <title>{`${p.row.circuit}, ${p.part}: ${mv(p.volts)}, ${pct(p.volts)}`}</title>
            </rect>
          );
        })}
        <line x1={x(lost.limitV)} x2={x(lost.limitV)} y1={10} y2={36} stroke={lost.passes ? 'var(--ink)' : 'var(--lead)'} strokeWidth={2} />
        <text x={x(lost.limitV)} y={8} textAnchor="middle" className="text-[11px]" fill={lost.passes ? 'var(--quiet)' : 'var(--lead)'}>
          may lose {limit}
        </text>
        <text x={LEFT} y={43} className="text-[11px]" fill="var(--quiet)">
          {lost.postsV.toFixed(2)} V at the posts{lost.bankSagV === null ? '' : ` (sagged by ${mv(lost.bankSagV)}, apart)`},{' '}
          {lost.loadV.toFixed(2)} V at {lost.tap}
        </text>
      </svg>
      <table className="text-[11.5px]">
        <thead className="sr-only">
          <tr>
            <th>circuit</th>
            <th>lost</th>
            <th>of nominal</th>
            <th>by part</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.circuitId} className={r.own ? 'font-semibold' : ''}>
              <td className="pr-3">{r.circuit}</td>
              <td className="reading pr-3 text-right">{mv(r.volts)}</td>
              <td className="reading pr-3 text-right">{pct(r.volts)}</td>
              <td className="text-quiet">
                copper {mv(r.parts.copper)}, devices {mv(r.parts.devices)}, joints {mv(r.parts.joints)}
              </td>
            </tr>
          ))}
          <tr className={lost.passes ? '' : 'text-lead'}>
            <td className="pr-3">in all</td>
            <td className="reading pr-3 text-right">{mv(total)}</td>
            <td className="reading pr-3 text-right">{pct(total)}</td>
            <td className="text-quiet">
              of {limit}
              {lost.ownLimitV === null ? '' : `; its own run may lose ${mv(lost.ownLimitV)}`}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  );
}

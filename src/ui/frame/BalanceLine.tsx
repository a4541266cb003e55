'use client';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import { autonomyH } from '@/core/analysis';
import { round3 } from '@/core/quantity';
import type { Headroom } from '@/core/ac';

import { useAnalysis, useAsked, useDesign, useFindings, useSelected, useWorst } from '@/ui/boat/context';

function Figure({
  label,
  value,
  unit,
  aside,
  breaks,
  onOpen,
}: {
  label: ReactNode;
  value: string;
  unit: string;
  aside: string;
  breaks?: boolean;
  onOpen?: () => void;
}) {
  const body = (
    <>
      <span className={`reading text-[17px] font-semibold ${breaks ? 'text-lead' : ''}`} data-figure>
        {value} <span className="text-[13px] font-medium">{unit}</span>
      </span>{' '}
      <span className="text-[11.5px] text-faint">{aside}</span>
    </>
  );
  return (
    <div className={`min-w-0 border-l border-line px-3 pt-[7px] ${breaks ? 'shadow-[inset_0_-3px_var(--lead)]' : ''}`}>
      <div className="text-[11.5px] text-quiet">{label}</div>
      {onOpen ? (
        <button
          type="button"
          onClick={onOpen}
          className="max-w-full overflow-clip text-left text-ellipsis whitespace-nowrap hover:underline"
          aria-description="Show where it comes from"
        >
          {body}
        </button>
      ) : (
        <div className="truncate">{body}</div>
      )}
    </div>
  );
}

/** Five live figures over every station; each opens where it comes from. */
export function BalanceLine({ boatId }: { boatId: string }) {
  const design = useDesign();
  const { balance } = useAnalysis();
  const findings = useFindings();
  const [, select] = useSelected();
  const [way, setWay] = useState(0);
  const need = balance.needs[way % Math.max(1, balance.needs.length)];
  const made = need?.made ?? null;
  const lacks = need && made ? need.needAh - made.madeAh : 0;
  const hours = need ? autonomyH(balance.usableAh, need.needAh) : null;
  const openNeed = need ? () => select({ kind: 'need', id: need.livingId }) : undefined;
  const studied = useWorst();
  // What falls in a study is worse than any percentage.
  const low = studied?.loads.find((l) => l.falls && l.minIsMakers && !Number.isNaN(l.volts));
  const wayId = design.acSources.length > 0 ? need?.livingId : undefined;
  const room = useAsked<Headroom>(wayId === undefined ? null : `room:${wayId}`, (r) => r.room(wayId ?? ''));
  const count = (severity: string) => findings.filter((f) => f.severity === severity && !f.accepted).length;
  const worst = balance.worst;
  const over = worst !== null && worst.pct > worst.limitPct;
  return (
    <header className="screen-only flex h-[57px] flex-none border-b-[1.5px] border-ink max-[999px]:overflow-x-auto max-[999px]:overflow-y-hidden">
      <div className="flex w-[148px] flex-none flex-col justify-center px-3">
        <Link href="/" className="truncate text-[15px] leading-tight font-bold hover:underline" aria-description="All boats">
          {design.boat.name}
        </Link>
        <span className="text-[11.5px] text-quiet">
          {design.boat.systemV} V, {design.boat.acRegion}
        </span>
      </div>
      <div className={`grid min-w-0 flex-1 max-[999px]:min-w-[900px] ${wayId ? 'grid-cols-6' : 'grid-cols-5'}`}>
        <Figure
          label={
            <>
              need,{' '}
              <button type="button" className="plain" onClick={() => setWay((w) => w + 1)} aria-description="Next way of living">
                {need?.name ?? 'no way of living'}
              </button>
            </>
          }
          value={need ? round3(need.needAh) : '–'}
          unit="Ah"
          aside="a day"
          {...(openNeed ? { onOpen: openNeed } : {})}
        />
        <Figure
          label="made"
          value={made ? round3(made.madeAh) : '–'}
          unit={made ? 'Ah' : ''}
          aside={!made ? 'no sources yet: Charging' : lacks > 0.5 ? `lacks ${round3(lacks)} a day` : `${round3(-lacks)} to spare`}
          breaks={made !== null && lacks > 0.5 && made.settlesAt < 0.3}
          {...(need && made ? { onOpen: () => select({ kind: 'made', id: need.livingId }) } : {})}
        />
        <Figure
          label="without any source"
          value={hours === null ? '–' : hours >= 48 ? round3(hours / 24) : round3(hours)}
          unit={hours === null ? '' : hours >= 48 ? 'days' : 'h'}
          aside={balance.usableAh > 0 ? `${round3(balance.usableAh)} Ah usable` : 'no bank yet'}
          {...(openNeed ? { onOpen: openNeed } : {})}
        />
        {low && !over ? (
          <Figure
            label="lowest volts in a study"
            value={low.volts.toFixed(1)}
            unit="V"
            aside={`of ${low.minV.toFixed(1)} V, ${low.name}: ${low.study}`}
            breaks
            {...(low.circuitId === null ? {} : { onOpen: () => select({ kind: 'circuit', id: low.circuitId ?? '' }) })}
          />
        ) : (
          <Figure
            label="worst drop"
            value={worst ? round3(worst.pct) : '–'}
            unit={worst ? '%' : ''}
            aside={worst ? `of ${round3(worst.limitPct)} %, ${worst.name}` : 'no circuits yet'}
            breaks={over}
            {...(worst ? { onOpen: () => select({ kind: 'circuit', id: worst.circuitId }) } : {})}
          />
        )}
        {wayId ? (
          <Figure
            label="AC room"
            value={room ? String(Math.round(room.va)).replace('-', '−') : '–'}
            unit={room ? 'VA' : ''}
            aside={room ? `on ${room.setting.name}` : ''}
            breaks={room !== null && room.va < 0}
            {...(room ? { onOpen: () => select({ kind: 'AC source', id: room.setting.sourceId }) } : {})}
          />
        ) : null}
        <div className="min-w-0 border-l border-line px-3 pt-[7px]">
          <div className="text-[11.5px] text-quiet">to settle</div>
          <Link
            href={`/boats/${boatId}/check`}
            prefetch={false}
            className={`block truncate hover:underline ${count('stop') > 0 ? 'text-lead' : ''}`}
          >
            <span className="reading text-[17px] font-semibold" data-figure>
              {count('stop')} <span className="text-[13px] font-medium">stop</span>
            </span>{' '}
            <span className="text-[11.5px] text-faint">
              {count('fix')} fix, {count('note')} note
            </span>
          </Link>
        </div>
      </div>
    </header>
  );
}

'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useAnalysis, useDesign, useFindings } from '@/ui/boat/context';
import type { Station } from './station';

// What it is judged by is loaded behind the first view.
const OpenTests = dynamic(() => import('./OpenTests'), { ssr: false });

const WIRED: ReadonlySet<string> = new Set(['circuit', 'panel', 'lead', 'bar', 'study']);

const AC_KINDS = ['AC source', 'AC panel', 'AC load', 'AC circuit'];

/** How far each station is, in a word or two. */
function useProgress(): Readonly<Record<string, { text: string; breaks?: boolean }>> {
  const design = useDesign();
  const { loads, circuits } = useAnalysis();
  const all = useFindings();
  const findings = all.filter((f) => !f.accepted);
  const loose = loads.filter((l) => l.circuitId === null).length;
  const stops = findings.filter((f) => f.severity === 'stop');
  const wiring = findings.filter((f) => f.severity !== 'note' && WIRED.has(f.about.kind)).length;
  const toSettle = (kinds: readonly string[], rows: number) => {
    const open = findings.filter((f) => f.severity !== 'note' && kinds.includes(f.about.kind)).length;
    return open > 0 ? { text: `${open} to settle`, breaks: true } : { text: rows > 0 ? String(rows) : 'none yet' };
  };
  return {
    survey: { text: `${design.places.length} places` },
    loads: { text: String(design.loads.length) },
    bank: toSettle(['bank', 'join', 'living', 'cruise'], design.banks.length),
    charging: toSettle(['source'], design.sources.length),
    ac: toSettle(AC_KINDS, design.acLoads.length),
    wiring:
      wiring > 0
        ? { text: `${wiring} to settle`, breaks: true }
        : loose > 0
          ? { text: `${loose} loose` }
          : { text: String(circuits.length) },
    check: stops.length > 0 ? { text: `${stops.length} stop`, breaks: true } : { text: String(findings.length) },
    build: { text: 'list' },
  };
}

export function Rail({ boatId, current, stations }: { boatId: string; current: string; stations: readonly Station[] }) {
  const progress = useProgress();
  return (
    <nav aria-label="Stations" className="screen-only relative w-[148px] flex-none overflow-y-auto py-3">
      <ol className="relative">
        <li aria-hidden className="absolute top-4 bottom-4 left-[19px] w-px bg-line" />
        {stations.map((s) => {
          const here = s.id === current;
          const p = progress[s.id];
          return (
            <li key={s.id}>
              <Link
                href={`/boats/${boatId}/${s.id}`}
                prefetch={false}
                aria-current={here ? 'page' : undefined}
                className={`relative flex items-baseline gap-2 py-[6.5px] pr-3 pl-[34px] hover:bg-wash ${here ? 'bg-sheet font-semibold' : ''}`}
              >
                <span
                  aria-hidden
                  className={`absolute top-1/2 left-[15px] size-[9px] -translate-y-1/2 border ${here ? 'border-verdigris bg-verdigris' : 'border-quiet bg-film'}`}
                />
                <span>{s.name}</span>
                <span
                  className={`ml-auto text-[11px] whitespace-nowrap ${p?.breaks ? 'font-semibold text-lead' : 'font-normal text-faint'}`}
                >
                  {s.id === 'commission' ? <OpenTests /> : (p?.text ?? '')}
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

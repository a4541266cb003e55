'use client';
/** The frame around every station: balance line, rail, the station, the working, and the title block along the foot. */
import dynamic from 'next/dynamic';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { useBoat, useSelected, useStore } from '@/ui/boat/context';
import type { Selected } from '@/workers/analysis.worker';
import { WorkingPanel } from '@/ui/working/WorkingPanel';
import { BalanceLine } from './BalanceLine';
import { ClashDialog } from './ClashDialog';
import { Dialog, fetchDialog } from './Dialog';
import { History } from './History';
import { Named } from './Named';
import { NotTaken } from './NotTaken';
import { Rail } from './Rail';
import { Share } from './Share';
import { StaleBar } from './StaleBar';
import { SHORTCUTS } from './shortcuts';
import type { Station } from './station';
import { useKeptOffline } from './useKeptOffline';
import { useKeys } from './useKeys';
import { useLater } from './useLater';

/** Stations that need the width: there the working opens only for what is chosen there, and on Survey not for each row that is walked over. */
const WIDE: ReadonlySet<string> = new Set(['survey', 'bank', 'charging', 'build']);
const hidesWorking = (station: string, selected: Selected | null, chosenHere: boolean): boolean => {
  if (!WIDE.has(station)) return false;
  const row = selected?.kind === 'circuit' || selected?.kind === 'load';
  return !selected || (chosenHere ? station === 'survey' && row : station === 'build' || row);
};

/** Clashes and what was not taken are shown in one, with no server too. */
const LATER = [fetchDialog];
const GuidedRun = dynamic(() => import('./GuidedRun'), { ssr: false });
const Palette = dynamic(() => import('./Palette'), { ssr: false });

function toggleNight(): void {
  const night = document.documentElement.dataset.scheme !== 'night';
  if (night) document.documentElement.dataset.scheme = 'night';
  else delete document.documentElement.dataset.scheme;
  localStorage.setItem('solenix-scheme', night ? 'night' : 'day');
}

function Notice() {
  const notice = useBoat((s) => s.notice);
  const [gone, setGone] = useState(0);
  useEffect(() => {
    if (notice?.tone !== 'said') return;
    const timer = setTimeout(() => setGone(notice.id), 5000);
    return () => clearTimeout(timer);
  }, [notice]);
  if (!notice || notice.id === gone) return <div role="status" />;
  return (
    <div
      role={notice.tone === 'refused' ? 'alert' : 'status'}
      className={`flex min-w-0 items-baseline gap-3 ${notice.tone === 'refused' ? 'font-semibold text-lead' : 'text-ink'}`}
    >
      <span className="truncate" aria-description={notice.text}>
        {notice.text}
      </span>
      {notice.tone === 'refused' ? (
        <button type="button" className="plain flex-none" onClick={() => setGone(notice.id)}>
          understood
        </button>
      ) : null}
    </div>
  );
}

export function Frame({ boatId, stations, children }: { boatId: string; stations: readonly Station[]; children: ReactNode }) {
  const store = useStore();
  const { revision, link, why, pending, undo, redo } = useBoat(({ revision, link, why, pending, undo, redo }) => ({
    revision,
    link,
    why,
    pending,
    undo,
    redo,
  }));
  const [selected] = useSelected();
  const router = useRouter();
  const path = usePathname();
  const station = path.split('/')[3] ?? 'survey';
  const [chosen, setChosen] = useState({ what: selected, on: station });
  if (chosen.what !== selected) setChosen({ what: selected, on: station });
  /** A scratch line brought along from the list of boats opens the finder. */
  const asked = useSearchParams();
  const line = asked.get('line')?.slice(0, 300) ?? '';
  /** A guided run is on, at this stop. */
  const run = Number(asked.get('run') ?? 0);
  const [opened, setFinding] = useState(false);
  const finding = opened || line !== '';
  const kept = useKeptOffline(
    stations.map((s) => `/boats/${boatId}/${s.id}`),
    revision,
  );
  useLater(LATER);
  const [listing, setListing] = useState(false);
  /** Where the folded rail was opened: it is folded again on the next page. */
  const [railAt, setRailAt] = useState<string | null>(null);
  useKeys({
    stations,
    go: (s) => router.push(`/boats/${boatId}/${s}`),
    find: () => setFinding(true),
    list: () => setListing(true),
    undo: () => void store.step('undo'),
    redo: () => void store.step('redo'),
  });
  const state = link === 'offline' ? `not saved yet: ${why}, ${pending} kept here` : pending > 0 ? 'saving' : `saved, revision ${revision}`;
  return (
    <div className="print-frame flex h-dvh flex-col overflow-hidden">
      <BalanceLine boatId={boatId} />
      <StaleBar />
      <button
        type="button"
        className="screen-only hidden min-h-[44px] flex-none items-center gap-2 border-b border-line px-4 text-left max-[999px]:flex"
        aria-expanded={railAt === path}
        onClick={() => setRailAt((at) => (at === path ? null : path))}
      >
        <b className="font-semibold">{stations.find((s) => s.id === station)?.name}</b>
        <span className="text-quiet">{railAt === path ? 'close the stations' : 'all stations'}</span>
      </button>
      <div className="print-frame relative flex min-h-0 flex-1">
        <div
          className={`flex flex-none ${railAt === path ? 'max-[999px]:absolute max-[999px]:inset-y-0 max-[999px]:left-0 max-[999px]:z-30 max-[999px]:border-r-[1.5px] max-[999px]:border-ink max-[999px]:bg-film' : 'max-[999px]:hidden'}`}
        >
          <Rail boatId={boatId} current={station} stations={stations} />
        </div>
        <main className="print-frame min-w-0 flex-1 overflow-hidden border-l border-line bg-sheet">{children}</main>
        {hidesWorking(station, selected, chosen.on === station) ? null : <WorkingPanel />}
      </div>
      {run > 0 ? <GuidedRun boatId={boatId} at={run} /> : null}
      <footer className="screen-only flex h-[27px] flex-none items-center gap-5 border-t max-[999px]:h-[44px] max-[999px]:overflow-x-auto max-[999px]:whitespace-nowrap max-[999px]:[&>*]:flex-none border-line px-3 text-[12px] text-quiet">
        <button type="button" onClick={() => setFinding(true)}>
          <kbd>Ctrl K</kbd> find anything
        </button>
        <button
          type="button"
          disabled={!undo}
          aria-description={undo ? `Take back: ${undo}` : 'Nothing to take back'}
          onClick={() => void store.step('undo')}
        >
          <kbd>Ctrl Z</kbd> take back
        </button>
        <button
          type="button"
          disabled={!redo}
          aria-description={redo ? `Put back: ${redo}` : 'Nothing to put back'}
          onClick={() => void store.step('redo')}
        >
          <kbd>Ctrl Y</kbd> put back
        </button>
        <button type="button" onClick={() => setListing(true)}>
          <kbd>?</kbd> keys
        </button>
        <button type="button" onClick={toggleNight}>
          night or day
        </button>
        <History boatId={boatId} />
        {store.looksOnly ? null : <Share boatId={boatId} />}
        {store.looksOnly ? <span className="font-semibold">shown by a link</span> : <Named />}
        <div className="min-w-0 flex-1 text-right">
          <Notice />
        </div>
        <NotTaken />
        {kept ? (
          <span
            className="flex-none"
            data-testid="kept"
            aria-description="Her stations are kept on this device: they open without a connection, and edits wait here."
          >
            opens offline
          </span>
        ) : null}
        <span className={`flex-none ${link === 'offline' ? 'font-semibold text-lead' : ''}`} data-testid="saved">
          {state}
        </span>
      </footer>
      {finding ? (
        <Palette
          boatId={boatId}
          stations={stations}
          first={line}
          onClose={() => {
            setFinding(false);
            if (line !== '') router.replace(path);
          }}
          onShortcuts={() => setListing(true)}
          onNight={toggleNight}
        />
      ) : null}
      <Dialog open={listing} onClose={() => setListing(false)} title="Keys">
        <table className="w-full">
          <tbody>
            {SHORTCUTS.map((s) => (
              <tr key={s.keys + s.where} className="border-b border-line">
                <td className="py-1 pr-4 whitespace-nowrap">
                  <kbd>{s.keys}</kbd>
                </td>
                <td className="pr-4">{s.what}</td>
                <td className="text-faint">{s.where}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Dialog>
      <ClashDialog />
    </div>
  );
}

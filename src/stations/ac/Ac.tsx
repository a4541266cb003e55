'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useFindings, useSelected } from '@/ui/boat/context';
import { View, Viewed, Views } from '@/ui/views/Views';
import { Findings } from './Findings';

const VIEWS = ['appliances', 'sources', 'runs and panels', 'what can run together', 'bonds and earth', 'placard', 'before work'] as const;
const Appliances = dynamic(() => import('./Appliances').then((m) => m.Appliances), { ssr: false });
const Sources = dynamic(() => import('./Sources').then((m) => m.Sources), { ssr: false });
const Runs = dynamic(() => import('./Runs').then((m) => m.Runs), { ssr: false });
const Together = dynamic(() => import('./Together').then((m) => m.Together), { ssr: false });
const Bonds = dynamic(() => import('./Bonds').then((m) => m.Bonds), { ssr: false });
const Placard = dynamic(() => import('./Placard').then((m) => m.Placard), { ssr: false });
const Isolation = dynamic(() => import('./Isolation').then((m) => m.Isolation), { ssr: false });

/** AC aboard: what runs on it, what feeds it, what may run at once, and where it kills. */
export default function Ac() {
  const [selected] = useSelected();
  const [view, setView] = useState<(typeof VIEWS)[number]>(
    selected?.kind === 'AC circuit' ? 'runs and panels' : selected?.kind === 'AC source' ? 'sources' : 'appliances',
  );
  // A run chosen from elsewhere brings its sheet up.
  const [was, setWas] = useState(selected);
  if (selected !== was) {
    setWas(selected);
    if (selected?.kind === 'AC circuit') setView('runs and panels');
  }
  const findings = useFindings().filter((f) => !f.accepted && f.about.kind === 'AC load' && f.severity !== 'note');
  return (
    <Viewed showing={view} onShow={setView} className="flex h-full flex-col">
      <div className="screen-only flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-4 pt-[10px] pb-2">
        <h1 className="text-[18px] font-bold">AC</h1>
        <Views views={VIEWS} label="Sheets of AC" />
      </div>
      <View of={view} className="flex min-h-0 flex-1 flex-col">
        {view === 'appliances' ? (
          <>
            <div className="max-h-[30%] flex-none overflow-auto">
              <Findings list={findings} label="Findings of appliances" />
            </div>
            <Appliances />
          </>
        ) : null}
        {view === 'sources' ? <Sources /> : null}
        {view === 'runs and panels' ? <Runs /> : null}
        {view === 'what can run together' ? <Together /> : null}
        {view === 'bonds and earth' ? <Bonds /> : null}
        {view === 'placard' ? <Placard /> : null}
        {view === 'before work' ? <Isolation /> : null}
      </View>
    </Viewed>
  );
}

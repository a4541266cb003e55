'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useDesign, useStore } from '@/ui/boat/context';
import { View, Viewed, Views } from '@/ui/views/Views';
import { AuditView } from './AuditView';
import { Departures } from './Departures';
import { Found } from './Found';
import { MissingView } from './MissingView';
import { WalkView } from './WalkView';

const QuickChecks = dynamic(() => import('@/ui/quick/QuickChecks').then((m) => m.QuickChecks), { ssr: false });
const Reported = dynamic(() => import('@/ui/report/Reported').then((m) => m.Reported), { ssr: false });

const VIEWS = ['as decided', 'the audit', 'missing', 'walk-round', 'five minutes', 'reports', 'as found', 'departures'] as const;
type View = (typeof VIEWS)[number];

/** The audit: what is found, line by line what was asked, what nobody knows, what only eyes see, and the reports of it. */
export default function Check() {
  const design = useDesign();
  const store = useStore();
  const [view, setView] = useState<View>('as decided');
  const someFound = design.circuits.some((c) => c.found !== null);
  return (
    <Viewed showing={view} onShow={setView} className="print-frame flex h-full flex-col p-5">
      <div className="screen-only flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-[18px] font-bold">Check</h1>
        <Views views={VIEWS.filter((v) => v !== 'as found' || someFound)} label="Sheets of the check" />
      </div>
      <View of={view} scrolls className="print-frame min-h-0 flex-1 overflow-y-auto">
        {view === 'as decided' || view === 'as found' ? <Found asFound={view === 'as found'} someFound={someFound} /> : null}
        {view === 'the audit' ? <AuditView /> : null}
        {view === 'missing' ? <MissingView /> : null}
        {view === 'walk-round' ? <WalkView /> : null}
        {view === 'five minutes' ? <QuickChecks units={design.boat} where={store.boatId} /> : null}
        {view === 'reports' ? <Reports Reported={Reported} /> : null}
        {view === 'departures' ? <Departures /> : null}
      </View>
    </Viewed>
  );
}

const READERS = { owner: 'for the owner, in plain words', surveyor: 'for a surveyor' } as const;
const READ_BY = Object.keys(READERS) as (keyof typeof READERS)[];

function Reports({ Reported: Shown }: { Reported: typeof Reported }) {
  const [reader, setReader] = useState<keyof typeof READERS>('owner');
  return (
    <Viewed showing={reader} onShow={setReader}>
      <p className="screen-only mt-3 flex gap-4">
        <Views views={READ_BY} label="For whom" name={(r) => READERS[r]} />
      </p>
      <View of={reader}>
        <Shown key={reader} reader={reader} />
      </View>
    </Viewed>
  );
}

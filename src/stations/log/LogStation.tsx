'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { View, Viewed, Views } from '@/ui/views/Views';
import { Entries } from './Entries';
import { HoursLearned } from './HoursLearned';
import { OwnersBook } from './OwnersBook';
import { ServicePlan } from './ServicePlan';
import { Trends } from './Trends';

const Reported = dynamic(() => import('@/ui/report/Reported').then((m) => m.Reported), { ssr: false });

const MeasuredDays = dynamic(() => import('./MeasuredDays').then((m) => m.MeasuredDays), { ssr: false });

const VIEWS = ['log', 'service', 'hours', 'measured days', 'trends', 'owner’s book', 'evidence pack'] as const;

/** The boat's record: what was done and read, what is due, and how long it took. */
export default function LogStation() {
  const [view, setView] = useState<(typeof VIEWS)[number]>('log');
  return (
    <Viewed showing={view} onShow={setView} className="print-frame flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-6 pt-[10px] pb-1 max-[500px]:px-3">
        <h1 className="text-[18px] font-bold">Log</h1>
        <span className="screen-only contents">
          <Views views={VIEWS} label="Sheets of the log" />
        </span>
      </div>
      <View of={view} scrolls className="print-frame min-h-0 flex-1 overflow-auto px-6 pb-8 max-[500px]:px-3">
        {view === 'log' ? <Entries /> : null}
        {view === 'service' ? <ServicePlan /> : null}
        {view === 'hours' ? <HoursLearned /> : null}
        {view === 'measured days' ? <MeasuredDays /> : null}
        {view === 'trends' ? <Trends /> : null}
        {view === 'owner’s book' ? <OwnersBook /> : null}
        {view === 'evidence pack' ? <Reported reader="evidence" beside /> : null}
      </View>
    </Viewed>
  );
}

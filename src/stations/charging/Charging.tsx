'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { View, Viewed, Views } from '@/ui/views/Views';
import { Sources } from './Sources';

const VIEWS = ['sources', 'small leads', 'settings', 'programming sheets', 'the engine'] as const;
const Settings = dynamic(() => import('./Settings').then((m) => m.Settings), { ssr: false });
const SmallLeads = dynamic(() => import('./SmallLeads').then((m) => m.SmallLeads), { ssr: false });
const Programming = dynamic(() => import('./Programming').then((m) => m.Programming), { ssr: false });
const EngineFacts = dynamic(() => import('./EngineFacts').then((m) => m.EngineFacts), { ssr: false });

/** Everything that charges: what it gives, how it is set, and the sheet to set it by. */
export default function Charging() {
  const [view, setView] = useState<(typeof VIEWS)[number]>('sources');
  return (
    <Viewed showing={view} onShow={setView} className="flex h-full flex-col">
      <div className="screen-only flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-4 pt-[10px] pb-1">
        <h1 className="text-[18px] font-bold">Charging</h1>
        <Views views={VIEWS} label="Sheets of charging" />
      </div>
      <View of={view} scrolls className="min-h-0 flex-1 overflow-auto px-4 pb-8">
        {view === 'sources' ? <Sources /> : null}
        {view === 'small leads' ? <SmallLeads /> : null}
        {view === 'settings' ? <Settings /> : null}
        {view === 'programming sheets' ? <Programming /> : null}
        {view === 'the engine' ? <EngineFacts /> : null}
      </View>
    </Viewed>
  );
}

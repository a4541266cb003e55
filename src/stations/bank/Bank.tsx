'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { View, Viewed, Views } from '@/ui/views/Views';
import { Size } from './size/Size';

const VIEWS = ['size', 'banks', 'links', 'joined', 'the day', 'the cruise', 'the season', 'options'] as const;
const Banks = dynamic(() => import('./banks/Banks').then((m) => m.Banks), { ssr: false });
const Links = dynamic(() => import('./links/Links').then((m) => m.Links), { ssr: false });
const Joined = dynamic(() => import('./joined/Joined').then((m) => m.Joined), { ssr: false });
const Day = dynamic(() => import('./day/Day').then((m) => m.Day), { ssr: false });
const Voyage = dynamic(() => import('./cruise/Voyage').then((m) => m.Voyage), { ssr: false });
const Season = dynamic(() => import('./season/Season').then((m) => m.Season), { ssr: false });
const Options = dynamic(() => import('./options/Options').then((m) => m.Options), { ssr: false });

/** The banks: how large, how joined, and what becomes of them by the day, the cruise and the season. */
export default function Bank() {
  const [view, setView] = useState<(typeof VIEWS)[number]>('size');
  return (
    <Viewed showing={view} onShow={setView} className="flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-4 pt-[10px] pb-1">
        <h1 className="text-[18px] font-bold">Bank</h1>
        <Views views={VIEWS} label="Sheets of the bank" />
      </div>
      <View of={view} scrolls className="min-h-0 flex-1 overflow-auto px-4 pb-8">
        {view === 'size' ? <Size /> : null}
        {view === 'banks' ? <Banks /> : null}
        {view === 'links' ? <Links /> : null}
        {view === 'joined' ? <Joined /> : null}
        {view === 'the day' ? <Day /> : null}
        {view === 'the cruise' ? <Voyage /> : null}
        {view === 'the season' ? <Season /> : null}
        {view === 'options' ? <Options /> : null}
      </View>
    </Viewed>
  );
}

'use client';
import { useState } from 'react';
import { useCutList } from '@/ui/boat/context';
import { useAwake } from '@/ui/frame/useAwake';
import { NextSteps } from '@/ui/next/NextSteps';
import { View, Viewed, Views } from '@/ui/views/Views';
import { FindView } from './FindView';
import { OffersView } from './OffersView';
import { SheetView } from './SheetView';
import { SignOff } from './SignOff';
import { TrainerView } from './TrainerView';

const VIEWS = ['test sheet', 'find what is wrong', 'what was read', 'trainer', 'sign-off'] as const;

/** The moment of truth: expected figures beside measured ones, at the boat. */
export default function Commission() {
  useAwake();
  const list = useCutList();
  const [view, setView] = useState<(typeof VIEWS)[number]>('test sheet');
  if (!list) return <p className="p-6 text-quiet">Working out what to expect.</p>;
  if (list.cuts.length === 0)
    return (
      <div className="max-w-[520px] p-6">
        <h1 className="text-[18px] font-bold">Commission</h1>
        <p className="mt-2">
          The sheet to test by is made from the design: what each reading should be, where the probes go, and how far off is still sound.
          There are no circuits with loads yet: see Wiring.
        </p>
        <NextSteps />
      </div>
    );
  return (
    <Viewed showing={view} onShow={setView} className="print-frame flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-6 pt-[10px] pb-1 max-[500px]:px-3">
        <h1 className="text-[18px] font-bold">Commission</h1>
        <span className="screen-only contents">
          <Views views={VIEWS} label="Sheets of commissioning" />
        </span>
      </div>
      <View of={view} scrolls className="print-frame min-h-0 flex-1 overflow-auto px-6 pb-8 max-[500px]:px-3">
        {view === 'test sheet' ? <SheetView /> : null}
        {view === 'find what is wrong' ? <FindView /> : null}
        {view === 'what was read' ? <OffersView /> : null}
        {view === 'trainer' ? <TrainerView /> : null}
        {view === 'sign-off' ? <SignOff /> : null}
      </View>
    </Viewed>
  );
}

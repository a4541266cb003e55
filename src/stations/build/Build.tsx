'use client';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { useCutList } from '@/ui/boat/context';
import { useAwake } from '@/ui/frame/useAwake';
import { NextSteps } from '@/ui/next/NextSteps';
import { View, Viewed, Views } from '@/ui/views/Views';
import { Lists } from './Lists';

const VIEWS = ['lists', 'taping', 'bench', 'reels', 'buying', 'labels', 'hours', 'order of work', 'quotation'] as const;
const Taping = dynamic(() => import('./Taping').then((m) => m.Taping), { ssr: false });
const BenchView = dynamic(() => import('./bench/BenchView').then((m) => m.BenchView), { ssr: false });
const BuyingView = dynamic(() => import('./BuyingView').then((m) => m.BuyingView), { ssr: false });
const LabelsView = dynamic(() => import('./LabelsView').then((m) => m.LabelsView), { ssr: false });
const Reels = dynamic(() => import('./reels/Reels').then((m) => m.Reels), { ssr: false });
const HoursView = dynamic(() => import('./HoursView').then((m) => m.HoursView), { ssr: false });
const QuotationView = dynamic(() => import('./QuotationView').then((m) => m.QuotationView), { ssr: false });
const OrderView = dynamic(() => import('./order/OrderView').then((m) => m.OrderView), { ssr: false });

/** From the design to cables on the bench: what is bought, measured, cut, made, and in which order. */
export default function Build() {
  useAwake();
  const list = useCutList();
  const piece = useSearchParams().get('piece');
  const [view, setView] = useState<(typeof VIEWS)[number]>(piece ? 'bench' : 'lists');
  if (!list) return <p className="p-6 text-quiet">Working out the list.</p>;
  if (list.cuts.length === 0)
    return (
      <div className="max-w-[520px] p-6">
        <h1 className="text-[18px] font-bold">Build</h1>
        <p className="mt-2">
          The list to cut and crimp from comes from the circuits: two conductors for every segment, a terminal at each end, shrink, labels
          and protection. There are no circuits with loads yet: see Wiring.
        </p>
        <NextSteps />
      </div>
    );
  return (
    <Viewed showing={view} onShow={setView} className="print-frame flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-6 pt-[10px] pb-1 max-[500px]:px-3">
        <h1 className="text-[18px] font-bold">Build</h1>
        <span className="contents screen-only">
          <Views views={VIEWS} label="Sheets of the build" />
        </span>
      </div>
      <View of={view} scrolls className="print-frame min-h-0 flex-1 overflow-auto px-6 pb-8 max-[500px]:px-3">
        {view === 'lists' ? <Lists /> : null}
        {view === 'taping' ? <Taping /> : null}
        {view === 'bench' ? <BenchView piece={piece} /> : null}
        {view === 'buying' ? <BuyingView /> : null}
        {view === 'labels' ? <LabelsView /> : null}
        {view === 'reels' ? <Reels /> : null}
        {view === 'hours' ? <HoursView /> : null}
        {view === 'order of work' ? <OrderView /> : null}
        {view === 'quotation' ? <QuotationView /> : null}
      </View>
    </Viewed>
  );
}

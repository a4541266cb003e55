'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { About } from '@/core/drawing';
import { useSelected, useStore } from '@/ui/boat/context';
import { useLater } from '@/ui/frame/useLater';
import { View, Viewed, Views } from '@/ui/views/Views';
import { Circuits, fetchChosen } from './circuits/Circuits';

const VIEWS = ['circuits', 'main side', 'panels', 'switches', 'routes', 'studies', 'drawing', 'bench'] as const;
const fetchMainSide = () => import('./mainSide/MainSide');
const MainSide = dynamic(() => fetchMainSide().then((m) => m.MainSide), { ssr: false });
const fetchPanels = () => import('./panels/Panels');
const Panels = dynamic(() => fetchPanels().then((m) => m.Panels), { ssr: false });
const fetchSwitches = () => import('./switches/Switches');
const Switches = dynamic(() => fetchSwitches().then((m) => m.Switches), { ssr: false });
const fetchRoutes = () => import('./routes/Routes');
const Routes = dynamic(() => fetchRoutes().then((m) => m.Routes), { ssr: false });
const fetchStudies = () => import('./studies/Studies');
const Studies = dynamic(() => fetchStudies().then((m) => m.Studies), { ssr: false });
const Drawing = dynamic(() => import('./drawing/Drawing').then((m) => m.Drawing), { ssr: false });
const Bench = dynamic(() => import('./bench/Bench').then((m) => m.Bench), { ssr: false });

/** Drawing and bench bring the layout's program along: they are fetched when they are asked for. */
const LATER = [fetchChosen, fetchMainSide, fetchPanels, fetchSwitches, fetchRoutes, fetchStudies];

/** What carries the current, and how: circuits, main side, panels, switches, routes, studies, the line drawing and its bench. */
export default function Wiring() {
  const store = useStore();
  useLater(LATER);
  const router = useRouter();
  const [selected, select] = useSelected();
  /** Kept here, so that looking at another sheet does not lose it. */
  const [filter, setFilter] = useState('');
  const [showing, setShowing] = useState<(typeof VIEWS)[number]>(selected?.kind === 'lead' ? 'main side' : 'circuits');

  /** From the drawing to the row of what is chosen there. */
  const goTo = ({ kind, id }: About) => {
    if (kind === 'circuit' || kind === 'load' || kind === 'lead' || kind === 'AC circuit' || kind === 'AC source') select({ kind, id });
    if (kind === 'circuit') setShowing('circuits');
    else if (kind === 'lead' || kind === 'bar') setShowing('main side');
    else if (kind === 'panel') setShowing('panels');
    else
      router.push(
        `/boats/${store.boatId}/${kind.startsWith('AC') ? 'ac' : kind === 'load' ? 'loads' : kind === 'source' ? 'charging' : kind === 'place' ? 'survey' : 'bank'}`,
      );
  };

  return (
    <Viewed showing={showing} onShow={setShowing} className="flex h-full flex-col">
      <div className={`flex flex-none items-baseline gap-x-4 px-4 pt-[10px] pb-[6px] ${showing === 'drawing' ? 'screen-only' : ''}`}>
        <h1 className="text-[18px] font-bold">Wiring</h1>
        <Views views={VIEWS} label="Sheets of the wiring" />
      </div>
      <View of={showing} className="flex min-h-0 flex-1 flex-col">
        {showing === 'circuits' ? <Circuits filter={filter} onFilter={setFilter} /> : null}
        {showing === 'main side' ? <MainSide /> : null}
        {showing === 'panels' ? <Panels /> : null}
        {showing === 'switches' ? <Switches /> : null}
        {showing === 'routes' ? <Routes /> : null}
        {showing === 'studies' ? <Studies /> : null}
        {showing === 'bench' ? <Bench /> : null}
        {showing === 'drawing' ? <Drawing onGo={goTo} /> : null}
      </View>
    </Viewed>
  );
}

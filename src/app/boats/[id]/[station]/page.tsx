import dynamic from 'next/dynamic';
import { notFound } from 'next/navigation';
import type { ComponentType } from 'react';
import { STATIONS } from '@/ui/frame/stations';
import { Unbuilt } from '@/stations/unbuilt/Unbuilt';

const BUILT: Readonly<Record<string, ComponentType>> = {
  survey: dynamic(() => import('@/stations/survey/Survey')),
  loads: dynamic(() => import('@/stations/loads/Loads')),
  bank: dynamic(() => import('@/stations/bank/Bank')),
  charging: dynamic(() => import('@/stations/charging/Charging')),
  ac: dynamic(() => import('@/stations/ac/Ac')),
  wiring: dynamic(() => import('@/stations/wiring/Wiring')),
  protection: dynamic(() => import('@/stations/protection/Protection')),
  check: dynamic(() => import('@/stations/check/Check')),
  build: dynamic(() => import('@/stations/build/Build')),
};

export default async function StationPage({ params }: { params: Promise<{ station: string }> }) {
  const { station } = await params;
  if (!STATIONS.some((s) => s.id === station)) notFound();
  const Built = BUILT[station];
  return Built ? <Built /> : <Unbuilt id={station} />;
}

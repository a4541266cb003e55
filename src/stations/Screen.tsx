'use client';
/** The screens of the stations, each fetched when it is gone to: a page has the script of its own alone. */
import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { StationId } from './registry';

const SCREENS: Readonly<Record<StationId, ComponentType>> = {
  survey: dynamic(() => import('./survey/Survey')),
  loads: dynamic(() => import('./loads/Loads')),
  bank: dynamic(() => import('./bank/Bank')),
  charging: dynamic(() => import('./charging/Charging')),
  ac: dynamic(() => import('./ac/Ac')),
  wiring: dynamic(() => import('./wiring/Wiring')),
  protection: dynamic(() => import('./protection/Protection')),
  monitoring: dynamic(() => import('./monitoring/Monitoring')),
  check: dynamic(() => import('./check/Check')),
  commission: dynamic(() => import('./commission/Commission')),
  log: dynamic(() => import('./log/LogStation')),
  build: dynamic(() => import('./build/Build')),
};

export function Screen({ id }: { id: StationId }) {
  const Shown = SCREENS[id];
  return <Shown />;
}

/** Every station, once, in the order of the work: its address, its name, its key, and its screen where it is built. */
import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { Station } from '@/ui/frame/station';

interface Registered {
  readonly id: string;
  readonly name: string;
  /** Second key after G. */
  readonly key: string;
  readonly Screen: ComponentType | null;
}

export const REGISTRY: readonly Registered[] = [
  { id: 'survey', name: 'Survey', key: 's', Screen: dynamic(() => import('./survey/Survey')) },
  { id: 'loads', name: 'Loads', key: 'l', Screen: dynamic(() => import('./loads/Loads')) },
  { id: 'bank', name: 'Bank', key: 'b', Screen: dynamic(() => import('./bank/Bank')) },
  { id: 'charging', name: 'Charging', key: 'c', Screen: dynamic(() => import('./charging/Charging')) },
  { id: 'ac', name: 'AC', key: 'a', Screen: dynamic(() => import('./ac/Ac')) },
  { id: 'wiring', name: 'Wiring', key: 'w', Screen: dynamic(() => import('./wiring/Wiring')) },
  { id: 'protection', name: 'Protection', key: 'p', Screen: dynamic(() => import('./protection/Protection')) },
  { id: 'monitoring', name: 'Monitoring', key: 'm', Screen: null },
  { id: 'check', name: 'Check', key: 'k', Screen: dynamic(() => import('./check/Check')) },
  { id: 'build', name: 'Build', key: 'u', Screen: dynamic(() => import('./build/Build')) },
  { id: 'commission', name: 'Commission', key: 'o', Screen: null },
  { id: 'log', name: 'Log', key: 'g', Screen: null },
];

/** As the frame lists them. */
export const STATIONS: readonly Station[] = REGISTRY.map(({ id, name, key, Screen }) => ({ id, name, key, built: Screen !== null }));

/** Every station, once, in the order of the work: its address, its name, its key, and whether it is built. Its screen is in Screen.tsx. */
import type { Station } from '@/ui/frame/station';

export const STATIONS = [
  { id: 'survey', name: 'Survey', key: 's', built: true },
  { id: 'loads', name: 'Loads', key: 'l', built: true },
  { id: 'bank', name: 'Bank', key: 'b', built: true },
  { id: 'charging', name: 'Charging', key: 'c', built: true },
  { id: 'ac', name: 'AC', key: 'a', built: true },
  { id: 'wiring', name: 'Wiring', key: 'w', built: true },
  { id: 'protection', name: 'Protection', key: 'p', built: true },
  { id: 'monitoring', name: 'Monitoring', key: 'm', built: true },
  { id: 'check', name: 'Check', key: 'k', built: true },
  { id: 'build', name: 'Build', key: 'u', built: true },
  { id: 'commission', name: 'Commission', key: 'o', built: true },
  { id: 'log', name: 'Log', key: 'g', built: false },
] as const satisfies readonly Station[];

type Listed = (typeof STATIONS)[number];
/** Stations that have a screen. */
export type Built = Extract<Listed, { built: true }>['id'];

export const stationOf = (id: string): Listed | undefined => STATIONS.find((s) => s.id === id);

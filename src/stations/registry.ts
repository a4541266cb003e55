/** Every station, once, in the order of the work: its address, its name, its key. Its screen is in Screen.tsx. */
import type { Station } from '@/ui/frame/station';

export const STATIONS = [
  { id: 'survey', name: 'Survey', key: 's' },
  { id: 'loads', name: 'Loads', key: 'l' },
  { id: 'bank', name: 'Bank', key: 'b' },
  { id: 'charging', name: 'Charging', key: 'c' },
  { id: 'ac', name: 'AC', key: 'a' },
  { id: 'wiring', name: 'Wiring', key: 'w' },
  { id: 'protection', name: 'Protection', key: 'p' },
  { id: 'monitoring', name: 'Monitoring', key: 'm' },
  { id: 'check', name: 'Check', key: 'k' },
  { id: 'build', name: 'Build', key: 'u' },
  { id: 'commission', name: 'Commission', key: 'o' },
  { id: 'log', name: 'Log', key: 'g' },
] as const satisfies readonly Station[];

type Listed = (typeof STATIONS)[number];
export type StationId = Listed['id'];

export const stationOf = (id: string): Listed | undefined => STATIONS.find((s) => s.id === id);

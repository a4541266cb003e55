'use client';
import { useRouter } from 'next/navigation';
import type { About, AboutKind } from '@/core/design';
import { useSelected, useStore } from '@/ui/boat/context';

const STATION: Readonly<Record<AboutKind, string>> = {
  load: 'loads',
  circuit: 'wiring',
  panel: 'wiring',
  lead: 'wiring',
  bar: 'wiring',
  study: 'wiring',
  bank: 'bank',
  gauge: 'monitoring',
  join: 'bank',
  living: 'bank',
  cruise: 'bank',
  source: 'charging',
  'AC source': 'ac',
  'AC panel': 'ac',
  'AC load': 'ac',
  'AC circuit': 'ac',
  place: 'survey',
  boat: 'survey',
};
/** Stations by the kinds of things they hold, as findings are grouped. */
export const stationOfKind = (kind: AboutKind): string => STATION[kind];

/** Opens the station of a thing, with its row chosen where the station has one. */
export function useGo(): (about: About) => void {
  const store = useStore();
  const router = useRouter();
  const [, select] = useSelected();
  return ({ kind, id }) => {
    if (kind === 'circuit' || kind === 'load' || kind === 'lead' || kind === 'AC circuit' || kind === 'AC source') select({ kind, id });
    router.push(`/boats/${store.boatId}/${kind === 'boat' && id === 'ac' ? 'ac' : STATION[kind]}`);
  };
}

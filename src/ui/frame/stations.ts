/** The twelve stations, in the order of the work. */
export interface Station {
  readonly id: string;
  readonly name: string;
  /** Second key after G. */
  readonly key: string;
  readonly built: boolean;
}

export const STATIONS: readonly Station[] = [
  { id: 'survey', name: 'Survey', key: 's', built: true },
  { id: 'loads', name: 'Loads', key: 'l', built: true },
  { id: 'bank', name: 'Bank', key: 'b', built: true },
  { id: 'charging', name: 'Charging', key: 'c', built: true },
  { id: 'ac', name: 'AC', key: 'a', built: true },
  { id: 'wiring', name: 'Wiring', key: 'w', built: true },
  { id: 'protection', name: 'Protection', key: 'p', built: true },
  { id: 'monitoring', name: 'Monitoring', key: 'm', built: false },
  { id: 'check', name: 'Check', key: 'k', built: true },
  { id: 'build', name: 'Build', key: 'u', built: true },
  { id: 'commission', name: 'Commission', key: 'o', built: false },
  { id: 'log', name: 'Log', key: 'g', built: false },
];

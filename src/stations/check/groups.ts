/** Findings in the order somebody goes through them: by gravity, by station, by place, or by line of the audit. */
import { AREAS, auditOf, type Caused, placeIdOf } from '@/core/check';
import { type Design, rowOf, type Severity } from '@/core/design';
import { stationOfKind } from './useGo';

export const GROUPINGS = ['severity', 'station', 'place', 'area'] as const;
export type Grouping = (typeof GROUPINGS)[number];

export interface Group {
  readonly key: string;
  readonly title: string;
  readonly grave: boolean;
  readonly caused: readonly Caused[];
}

const HEADINGS: Readonly<Record<Severity, string>> = {
  stop: 'Stop: must be settled before it is built',
  fix: 'Fix: ought to be settled',
  note: 'Note: good to know',
};
const STATIONS = ['survey', 'loads', 'bank', 'charging', 'ac', 'wiring', 'monitoring'] as const;
const named = (station: string): string => (station === 'ac' ? 'AC' : station.charAt(0).toUpperCase() + station.slice(1));

/** Groups with something in them; within each as they came: worst first. */
export function groupsOf(design: Design, all: readonly Caused[], by: Grouping): readonly Group[] {
  const group = (key: string, title: string, is: (c: Caused) => boolean): readonly Group[] => {
    const caused = all.filter(is);
    return caused.length === 0 ? [] : [{ key, title, grave: caused.some((c) => c.finding.severity === 'stop'), caused }];
  };
  if (by === 'severity') return (['stop', 'fix', 'note'] as const).flatMap((s) => group(s, HEADINGS[s], (c) => c.finding.severity === s));
  if (by === 'station') return STATIONS.flatMap((s) => group(s, named(s), (c) => stationOfKind(c.finding.about.kind) === s));
  if (by === 'place') {
    const of = (c: Caused) => rowOf(design.places, placeIdOf(design, c.finding.about))?.id ?? '';
    return [...design.places, { id: '', name: 'of the boat, or without a place' }].flatMap((p) =>
      group(p.id, p.name, (c) => of(c) === p.id),
    );
  }
  const areas = new Map(auditOf(design, []).flatMap((l) => l.rules.map((r) => [r, l.area] as const)));
  return AREAS.flatMap((a) => group(a, a, (c) => areas.get(c.finding.rule) === a));
}

/** Findings: what is wrong, why it matters, what to do. stop: must be settled; fix: should be; note: good to know. */
import type { Design } from '../design/schema';

export type Severity = 'stop' | 'fix' | 'note';

export interface Finding {
  /** Stable while the cause lasts: rule and the thing it is about. */
  readonly id: string;
  readonly severity: Severity;
  readonly about: {
    readonly kind:
      | 'circuit'
      | 'load'
      | 'panel'
      | 'bank'
      | 'source'
      | 'join'
      | 'living'
      | 'cruise'
      | 'lead'
      | 'bar'
      | 'study'
      | 'AC source'
      | 'AC panel'
      | 'AC load'
      | 'AC circuit'
      | 'boat';
    readonly id: string;
  };
  readonly title: string;
  readonly why: string;
  readonly todo: string;
  /** A recorded departure: someone accepts it, with a reason. */
  readonly accepted?: { readonly by: string; readonly why: string };
}

/** Adds a finding about the thing under judgement, or about another. */
export type AddFinding = (rule: string, severity: Severity, title: string, why: string, todo: string, about?: Finding['about']) => void;

/** The same, about a thing that is named each time. */
export type AddAbout = (
  rule: string,
  severity: Severity,
  kind: Finding['about']['kind'],
  id: string,
  title: string,
  why: string,
  todo: string,
) => void;

const SEVERITIES: readonly Severity[] = ['stop', 'fix', 'note'];

/** All groups as one list: worst first, then in order of arrival. */
export function bySeverity(...groups: readonly (readonly Finding[])[]): Finding[] {
  const out: Finding[] = [];
  for (const severity of SEVERITIES) for (const group of groups) for (const f of group) if (f.severity === severity) out.push(f);
  return out;
}

/** Findings somebody has accepted, with the reason. */
export function withDepartures({ departures }: Design, findings: readonly Finding[]): readonly Finding[] {
  if (departures.length === 0) return findings;
  const accepted = new Map(departures.map((d) => [d.findingId, { by: d.acceptedBy, why: d.why }]));
  return findings.map((f) => {
    const known = accepted.get(f.id);
    return known ? { ...f, accepted: known } : f;
  });
}

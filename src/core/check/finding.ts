/** Lists of findings: worst first, with what was accepted, grouped by cause. */
import type { Finding, Severity } from '../design';

const SEVERITIES: readonly Severity[] = ['stop', 'fix', 'note'];

/** All groups as one list: worst first, then in order of arrival. */
export function bySeverity(...groups: readonly (readonly Finding[])[]): Finding[] {
  const out: Finding[] = [];
  for (const severity of SEVERITIES) for (const group of groups) for (const f of group) if (f.severity === severity) out.push(f);
  return out;
}

/**
 * Every finding of a design, worst first: the same list on the screen, in Check, on paper and over HTTP.
 * @param late findings of the studies; null while they are not worked out.
 */
export const everyFinding = (
  analysis: { readonly findings: readonly Finding[] },
  late: { readonly findings: readonly Finding[] } | null,
): readonly Finding[] => (late && late.findings.length > 0 ? bySeverity(analysis.findings, late.findings) : analysis.findings);

export interface Caused {
  readonly finding: Finding;
  /** What it brings about, in order. */
  readonly brings: readonly Finding[];
}

/** Findings with what each brings about below it; one whose cause is not in the list stands for itself. */
export function byCause(findings: readonly Finding[]): Caused[] {
  const ids = new Set(findings.map((f) => f.id));
  const brought = new Map<string, Finding[]>();
  const rooted = (f: Finding): boolean => f.cause === undefined || f.cause === f.id || !ids.has(f.cause);
  for (const f of findings) if (!rooted(f) && f.cause) brought.set(f.cause, [...(brought.get(f.cause) ?? []), f]);
  const all = (id: string, seen: ReadonlySet<string>): Finding[] =>
    (brought.get(id) ?? []).flatMap((f) => (seen.has(f.id) ? [] : [f, ...all(f.id, new Set([...seen, f.id]))]));
  const out: Caused[] = [];
  const shown = new Set<string>();
  // Findings that name one another in a ring have no root: the first of them leads.
  for (const finding of [...findings.filter(rooted), ...findings]) {
    if (shown.has(finding.id)) continue;
    const brings = all(finding.id, new Set([finding.id])).filter((f) => !shown.has(f.id));
    for (const f of [finding, ...brings]) shown.add(f.id);
    out.push({ finding, brings });
  }
  return out;
}

/** The owner's report: in plain words what must be done, what ought to be, what is in order, and what nobody knows yet. */
import { auditOf, missingOf, settlingMost } from '../check';
import { type Finding, nameOf } from '../design';
import { caution, chapter, LIMITS, list, type Report, text } from './blocks';
import type { ReportFacts } from './facts';

const told = ({ design }: ReportFacts, f: Finding): string => `${nameOf(design, f.about)}: ${f.title}. ${f.why} ${f.todo}`;

export function ownerReport(facts: ReportFacts): Report {
  const open = facts.findings.filter((f) => !f.accepted);
  const [stops, fixes] = [open.filter((f) => f.severity === 'stop'), open.filter((f) => f.severity === 'fix')];
  const lines = auditOf(facts.design, facts.findings);
  const kinds = missingOf(facts.design);
  const first = settlingMost(kinds);
  return {
    title: `${facts.design.boat.name}: what was found, in plain words`,
    lines: [`as of revision ${facts.revision}, ${facts.day}`],
    chapters: [
      chapter('In short', [
        text(
          stops.length > 0
            ? `${stops.length} ${stops.length === 1 ? 'thing' : 'things'} can hurt somebody or burn and must be settled before she is used. ${fixes.length} more ought to be.`
            : fixes.length > 0
              ? `Nothing was found that must keep her ashore. ${fixes.length} ${fixes.length === 1 ? 'thing ought' : 'things ought'} to be settled.`
              : 'Nothing was found that must be settled.',
        ),
        text(LIMITS),
      ]),
      ...(stops.length > 0
        ? [
            chapter('Before she is used', [
              caution(
                'Do not touch these yourself, and do not use what they are about, until they are put right by somebody who is competent and, on AC, licensed.',
              ),
              list(stops.map((f) => told(facts, f))),
            ]),
          ]
        : []),
      ...(fixes.length > 0 ? [chapter('Ought to be settled', [list(fixes.map((f) => told(facts, f)))])] : []),
      chapter('Looked at, and nothing found', [list(lines.filter((l) => l.standing === 'nothing found').map((l) => l.line))]),
      chapter('Not known yet', [
        text(
          kinds.length === 0
            ? 'Everything that is asked for is known.'
            : `${kinds.reduce((n, k) => n + k.facts.length, 0)} facts are missing.${first.length > 0 ? ' These would settle most:' : ''}`,
        ),
        list(first.map((m) => `${m.kind}, of ${nameOf(facts.design, m.about)}: ${m.how}`)),
        list(lines.filter((l) => l.standing === 'by eyes').map((l) => `${l.line}: ${l.eyes}`)),
      ]),
      ...(facts.design.departures.length > 0
        ? [chapter('Accepted as it is', [list(facts.design.departures.map((d) => `${d.what}: ${d.why} (${d.acceptedBy}, ${d.on})`))])]
        : []),
    ],
  };
}

/** The surveyor's report: the audit line by line, every finding with its rule and evidence, departures, what is unknown, what was seen. */
import { auditOf, AREAS, missingOf, placeIdOf, ruleOf, walkOf } from '../check';
import { type Finding, lastMarks, nameOf, rowOf, type Severity } from '../design';
import { show } from '../quantity';
import { type Block, caution, chapter, heading, LIMITS, list, type Report, type ReportChapter, table, text } from './blocks';
import type { ReportFacts } from './facts';

const NAMES: Readonly<Record<Severity, string>> = {
  stop: 'Stop: to be settled before she is used',
  fix: 'Fix: ought to be settled',
  note: 'Note: good to know',
};

export const boatChapter = ({ design, revision, hash, day }: ReportFacts): ReportChapter => {
  const { boat, banks, sources, loads, circuits, acSources } = design;
  return chapter('The boat', [
    table(
      ['', ''],
      [
        ['name', boat.name],
        ['length, beam', `${show(boat.lengthM, 'm', boat)}, ${show(boat.beamM, 'm', boat)}`],
        ['hull', boat.hull],
        ['DC', `${boat.systemV} V, ${boat.ruleSet === 'awg' ? 'AWG' : 'metric'} marine school`],
        ['AC', acSources.length > 0 ? `${boat.acRegion}: ${acSources.map((s) => s.name).join(', ')}` : 'none entered'],
        ['banks', banks.map((b) => `${b.name}, ${b.chemistry}, ${b.blockAh * b.strings} Ah at ${b.blockV * b.series} V`).join('; ')],
        ['sources', sources.map((s) => s.name).join(', ') || 'none'],
        ['loads, circuits', `${loads.length}, ${circuits.length}`],
        ['design', `revision ${revision}, digest ${hash}`],
        ['made on', day],
      ],
    ),
    boat.note === '' ? null : text(boat.note),
  ]);
};

const STANDING: Readonly<Record<string, string>> = {
  stop: 'STOP',
  fix: 'fix',
  note: 'note',
  asks: 'facts missing',
  accepted: 'accepted',
  'nothing found': 'nothing found',
  'by eyes': 'not from here',
  'not aboard': 'not aboard',
};

export function auditChapter({ design, findings }: ReportFacts): ReportChapter {
  const audit = auditOf(design, findings);
  return chapter('The audit, line by line', [
    text('Each line is answered by rules from the one table. “Nothing found” means that in what is entered no rule found a fault.'),
    ...AREAS.flatMap((area): Block[] => [
      heading(area.charAt(0).toUpperCase() + area.slice(1)),
      table(
        ['line', 'stands', 'of it'],
        audit
          .filter((l) => l.area === area)
          .map((l) => [
            l.line,
            STANDING[l.standing] ?? l.standing,
            l.open.length > 0
              ? `${l.open.length} open`
              : l.standing === 'not aboard'
                ? `no ${(l.of ?? '').replace(/^an? /, '')}`
                : l.accepted.length > 0
                  ? `${l.accepted.length} accepted`
                  : l.eyes,
          ]),
        [0.6, 0.18, 0.22],
      ),
    ]),
  ]);
}

/** One finding with its rule, its source, what settles it, and the pictures of its thing. */
function findingBlocks({ design }: ReportFacts, f: Finding): Block[] {
  const rule = ruleOf(f);
  const place = rowOf(design.places, placeIdOf(design, f.about));
  const confirm =
    rule?.confirm === 'eyes' ? ' To be confirmed by looking.' : rule?.confirm === 'a meter' ? ' To be confirmed with a meter.' : '';
  const pictures = design.photos.filter((p) => p.about.kind === f.about.kind && p.about.id === f.about.id).slice(0, 2);
  return [
    heading(`${nameOf(design, f.about)}: ${f.title}`),
    text(`${f.why} ${f.todo}${confirm}`),
    text(
      [
        `rule ${f.rule}`,
        rule ? `source: ${rule.source}` : '',
        rule && rule.hazard !== 'none' ? `hazard: ${rule.hazard}` : '',
        place ? `place: ${place.name}` : '',
        f.lapsed ? `accepted by ${f.lapsed.by} on ${f.lapsed.on}; what it went by has changed since` : '',
      ]
        .filter(Boolean)
        .join('; '),
    ),
    ...pictures.map((p): Block => ({ kind: 'picture', photoId: p.id, caption: p.caption, widthPx: p.widthPx, heightPx: p.heightPx })),
  ];
}

export function findingsChapters(facts: ReportFacts): ReportChapter[] {
  const open = facts.findings.filter((f) => !f.accepted);
  return (['stop', 'fix', 'note'] as const).flatMap((severity) => {
    const own = open.filter((f) => f.severity === severity);
    return own.length === 0
      ? []
      : [
          severity === 'note'
            ? chapter(NAMES.note, [
                table(
                  ['of', 'what', 'rule'],
                  own.map((f) => [nameOf(facts.design, f.about), f.title, f.rule]),
                ),
              ])
            : chapter(
                NAMES[severity],
                own.flatMap((f) => findingBlocks(facts, f)),
              ),
        ];
  });
}

export const departuresChapter = ({ design, findings }: ReportFacts): ReportChapter => {
  const standing = new Map(findings.map((f) => [f.id, f]));
  return chapter('Departures', [
    design.departures.length === 0 ? text('None on record.') : null,
    table(
      ['what', 'why', 'who', 'on', 'stands'],
      design.departures.map((d) => {
        const f = standing.get(d.findingId);
        return [
          `${d.what}${d.kind === 'does not apply' ? ' (does not apply here)' : ''}`,
          d.why,
          d.acceptedBy,
          d.on,
          !f ? 'its cause is gone' : f.accepted ? 'as accepted' : 'open again: the facts have changed',
        ];
      }),
    ),
  ]);
};

export const missingChapter = ({ design }: ReportFacts): ReportChapter => {
  const kinds = missingOf(design);
  return chapter('What is not known', [
    text(
      kinds.length === 0
        ? 'Every fact the rules ask for is entered.'
        : `${kinds.reduce((n, k) => n + k.facts.length, 0)} facts are missing. Where one is, nothing is tested against it, or something typical stands in.`,
    ),
    table(
      ['fact', 'of', 'judged by it', 'found out by'],
      kinds.map((k) => [k.kind, String(k.facts.length), String(k.judged), k.how]),
    ),
  ]);
};

export function walkChapter({ design, records }: ReportFacts): ReportChapter {
  const marks = lastMarks(records);
  const items = walkOf(design);
  const seen = items.flatMap((i) => {
    const mark = marks.get(`walk:${i.id}`);
    return mark ? [{ i, mark }] : [];
  });
  const day = (at: number) => new Date(at).toISOString().slice(0, 10);
  return chapter('Seen aboard', [
    text(`${seen.length} of ${items.length} things were looked at.`),
    table(
      ['place', 'of', 'what is asked', 'seen', 'on', 'note'],
      seen.map(({ i, mark }) => [
        rowOf(design.places, i.placeId)?.name ?? '',
        nameOf(design, i.about),
        i.ask,
        mark.body.seen === 'well' ? 'well' : mark.body.seen === 'bad' ? 'NOT WELL' : String(mark.body.seen ?? ''),
        day(mark.at),
        String(mark.body.note ?? ''),
      ]),
    ),
    seen.length < items.length
      ? list(items.filter((i) => !marks.has(`walk:${i.id}`)).map((i) => `not looked at: ${nameOf(design, i.about)}: ${i.ask}`))
      : null,
  ]);
}

/** For a surveyor: the rule, the evidence, the picture. */
export const surveyorReport = (facts: ReportFacts): Report => {
  const open = facts.findings.filter((f) => !f.accepted);
  const count = (s: Severity) => open.filter((f) => f.severity === s).length;
  return {
    title: `${facts.design.boat.name}: electrical survey`,
    lines: [`as of revision ${facts.revision}, ${facts.day}`, `${count('stop')} stop, ${count('fix')} fix, ${count('note')} note`],
    chapters: [
      boatChapter(facts),
      chapter('What this is', [
        text(LIMITS),
        caution('Shock, fire, explosion, burns, drowning by stray current: isolate and prove dead before anything is opened.'),
      ]),
      ...findingsChapters(facts),
      auditChapter(facts),
      departuresChapter(facts),
      missingChapter(facts),
      walkChapter(facts),
    ],
  };
};

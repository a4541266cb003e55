/** The evidence pack for a survey or a sale: schedules, findings, departures, tests, log, service, pictures, as one report. */
import { STAGES } from '../commission';
import { nameOf, rowOf } from '../design';
import { servicePlan, thingName } from '../keep';
import { choiceName, show } from '../quantity';
import { chapter, LIMITS, list, type Block, type Report, type ReportChapter, table, text } from './blocks';
import type { ReportFacts } from './facts';
import { auditChapter, boatChapter, departuresChapter, findingsChapters, missingChapter, walkChapter } from './survey';

const dayOf = (at: number): string => new Date(at).toISOString().slice(0, 10);

function schedules({ design, analysis }: ReportFacts): ReportChapter {
  const units = design.boat;
  const devices = new Map(analysis.circuits.map((r) => [r.id, r]));
  return chapter('Schedules', [
    table(
      ['no', 'circuit', 'from', 'size', 'one way', 'device', 'amps', 'lost'],
      design.circuits.flatMap((c) => {
        const r = devices.get(c.id);
        if (!r) return [];
        const { chosen } = r.own.ladder;
        return [
          [
            c.no,
            c.name,
            nameOf(design, c.from),
            choiceName(chosen),
            show(r.lengthM, 'm', units),
            r.own.protection.missing ? 'NONE' : `${r.own.protection.ratingA} A ${r.own.protection.familyName}`,
            show(r.workingA, 'A', units),
            r.own.state.drop.worst ? `${r.own.state.drop.worst.pct.toFixed(1)} %` : '–',
          ],
        ];
      }),
    ),
    table(
      ['battery cable', 'size', 'length', 'carries'],
      analysis.leads.map((l) => [
        rowOf(design.leads, l.id)?.name ?? l.id,
        choiceName({ school: l.conductor.school, size: l.conductor.size, legs: 1 }),
        show(l.lengthM, 'm', units),
        show(l.carries.amps, 'A', units),
      ]),
    ),
  ]);
}

/** Every test with its last reading; what was repeated says how often. */
function tests({ sheet, records }: ReportFacts): ReportChapter {
  const last = new Map<
    string,
    {
      readonly value: unknown;
      readonly verdict: unknown;
      readonly instrument: unknown;
      readonly at: number;
      readonly by: string;
      readonly times: number;
    }
  >();
  for (const r of records) {
    if (r.kind !== 'reading' || !r.thing.startsWith('test:')) continue;
    const id = r.thing.slice(5);
    last.set(id, {
      value: r.body.value,
      verdict: r.body.verdict,
      instrument: r.body.instrument,
      at: r.at,
      by: r.by ?? '',
      times: (last.get(id)?.times ?? 0) + 1,
    });
  }
  const right = (v: unknown) => v === 'pass' || v === 'seen';
  const open = sheet.filter((l) => !right(last.get(l.id)?.verdict));
  return chapter('Tests', [
    text(`${sheet.length - open.length} of ${sheet.length} tests are right.`),
    ...STAGES.map((_, n): Block =>
      table(
        ['test', 'read', 'expected', 'verdict', 'who, with, when'],
        sheet
          .filter((l) => l.stage === n && last.has(l.id))
          .map((l) => {
            const r = last.get(l.id);
            return [
              l.what,
              typeof r?.value === 'number' ? `${Number(r.value.toPrecision(4))} ${l.unit}` : '',
              l.band ? `${Number(l.band.low.toPrecision(3))} to ${Number(l.band.high.toPrecision(3))} ${l.unit}` : '',
              String(r?.verdict ?? ''),
              [r?.by, r?.instrument, r ? dayOf(r.at) : '', (r?.times ?? 1) > 1 ? `read ${r?.times} times` : ''].filter(Boolean).join(', '),
            ];
          }),
      ),
    ),
    list(open.map((l) => `open: ${l.what}${last.has(l.id) ? `, ${String(last.get(l.id)?.verdict)}` : ', not tested'}`)),
  ]);
}

/** Log entries, the last first; so many at the most. */
const MOST_ENTRIES = 200;
function log({ design, records }: ReportFacts): ReportChapter {
  const entries = records.filter((r) => r.kind === 'entry').sort((a, b) => b.at - a.at);
  return chapter('Log', [
    text(
      entries.length > MOST_ENTRIES
        ? `The last ${MOST_ENTRIES} of ${entries.length} entries; the rest is in records.json.`
        : `${entries.length} entries.`,
    ),
    table(
      ['on', 'of', 'what', 'who'],
      entries.slice(0, MOST_ENTRIES).map((r) => [dayOf(r.at), thingName(design, r.thing), String(r.body.text ?? ''), r.by ?? '']),
    ),
  ]);
}

function service({ design, records, day }: ReportFacts): ReportChapter {
  const plan = servicePlan(design, records, Date.parse(day));
  return chapter('Service', [
    text(
      `${plan.filter((d) => d.last !== null).length} of ${plan.length} things have been looked after on record; ${plan.filter((d) => d.overdue).length} are due.`,
    ),
    table(
      ['what', 'last done', 'due', 'every'],
      plan.map((d) => [
        d.what,
        d.last === null ? 'not noted' : dayOf(d.last),
        d.last === null ? 'now' : dayOf(d.due),
        `${d.everyMonths} months`,
      ]),
    ),
  ]);
}

const pictures = ({ design, sheet }: ReportFacts): ReportChapter =>
  chapter(
    'Pictures',
    design.photos.map((p): Block => ({
      kind: 'picture',
      photoId: p.id,
      caption: [
        p.about.kind === 'test' ? `${sheet.find((l) => l.id === p.about.id)?.what ?? 'a test'}, as read` : nameOf(design, p.about),
        p.caption,
      ]
        .filter(Boolean)
        .join(': '),
      widthPx: p.widthPx,
      heightPx: p.heightPx,
    })),
  );

export function evidencePack(facts: ReportFacts): Report {
  const open = facts.findings.filter((f) => !f.accepted && f.severity !== 'note');
  return {
    title: `${facts.design.boat.name}: evidence pack`,
    lines: [`as of revision ${facts.revision}, ${facts.day}`, `digest of the design ${facts.hash}`],
    chapters: [
      boatChapter(facts),
      chapter('What this is', [
        text(LIMITS),
        text('The open files beside it: the design, its records and its pictures, as the program reads and writes them.'),
      ]),
      chapter('Open points', [
        text(open.length === 0 ? 'No stop and no fix is open.' : `${open.length} are open.`),
        list(open.map((f) => `${f.severity}: ${nameOf(facts.design, f.about)}: ${f.title}`)),
      ]),
      schedules(facts),
      ...findingsChapters(facts),
      auditChapter(facts),
      departuresChapter(facts),
      missingChapter(facts),
      walkChapter(facts),
      tests(facts),
      log(facts),
      service(facts),
      ...(facts.design.photos.length > 0 ? [pictures(facts)] : []),
    ],
  };
}

/** Reports: everything that is open stands in them, in the words of their readers, and nothing that is not. */
import { analyse, studied } from '../analysis';
import { everyFinding } from '../check';
import { testSheet, USUAL_CONDITIONS } from '../commission';
import { type Design, designOfKind } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { evidencePack, ownerReport, type Report, type ReportFacts, surveyorReport } from './index';

let n = 0;
const boat: Design = withProposals(
  designOfKind('coastal', { name: 'Whimbrel', school: 'awg', lengthM: 11, beamM: 3.5, systemV: 12 }),
  (prefix) => `${prefix}r${++n}`,
);
function factsFor(design: Design, more: Partial<ReportFacts> = {}): ReportFacts {
  const analysis = analyse(design);
  return {
    design,
    analysis,
    findings: everyFinding(analysis, studied(design, analysis)),
    records: [],
    sheet: testSheet(design, analysis, USUAL_CONDITIONS),
    revision: 7,
    hash: 'abc123',
    day: '2026-05-31',
    ...more,
  };
}
const facts = factsFor({ ...boat, banks: boat.banks.map((b) => ({ ...b, mounting: { held: false, covered: null, vented: null } })) });
const words = (r: Report): string => JSON.stringify(r);
const chapterOf = (r: Report, title: string) => r.chapters.find((c) => c.title.startsWith(title));

test('the surveyor’s: every open stop and fix with its rule and source, every note by its rule', () => {
  const text = words(surveyorReport(facts));
  const open = facts.findings.filter((f) => !f.accepted);
  expect(open.length).toBeGreaterThan(3);
  expect(open.filter((f) => !text.includes(JSON.stringify(f.title).slice(1, -1)) || !text.includes(f.rule))).toEqual([]);
  expect(text).toContain('small-craft DC standards');
  expect(text).toContain('revision 7, digest abc123');
});

test('the owner’s: what is to be settled in words, and no rule’s name', () => {
  const text = words(ownerReport(facts));
  expect(text).toContain('is not held down');
  const names = facts.findings.map((f) => f.rule).filter((r) => r.includes('-'));
  expect(names.filter((r) => text.includes(`${r} `) || text.includes(`"${r}"`))).toEqual([]);
});

test('what is not aboard is not called in order', () => {
  const clear = chapterOf(ownerReport(facts), 'Looked at');
  expect(JSON.stringify(clear)).not.toContain('generator');
  expect(JSON.stringify(clear)).not.toContain('compass');
});

test('accepted findings leave the open ones and stand with who and why', () => {
  const held = facts.findings.find((f) => f.rule === 'bank-held');
  const accepted = factsFor({
    ...facts.design,
    departures: [
      {
        id: 'd',
        findingId: held?.id ?? '',
        what: 'not held',
        why: 'tray on order',
        acceptedBy: 'B. Owner',
        on: '2026-05-30',
        kind: 'accepted',
        facts: '',
      },
    ],
  });
  const report = surveyorReport(accepted);
  expect(JSON.stringify(chapterOf(report, 'Departures'))).toContain('tray on order');
  expect(held?.about).toEqual({ kind: 'bank', id: 'house' });
  expect(JSON.stringify(chapterOf(report, 'Fix'))).not.toContain('House bank: is not held down');
  expect(JSON.stringify(chapterOf(report, 'Fix'))).toContain('Start battery: is not held down');
});

test('the pack has schedules, tests with what was read, log and service', () => {
  const [line] = facts.sheet.filter((l) => l.unit === 'V' || l.unit === 'Ω');
  const records: ReportFacts['records'] = [
    {
      id: 'aaaaaaaa',
      kind: 'reading' as const,
      thing: `test:${line?.id ?? ''}`,
      at: 1,
      body: { value: 12.7, verdict: 'pass', instrument: 'meter 1' },
      by: 'Kim',
    },
    { id: 'bbbbbbbb', kind: 'entry' as const, thing: 'boat:boat', at: 2, body: { text: 'new belt' }, by: 'Kim' },
  ];
  const pack = evidencePack({ ...facts, records });
  expect(pack.chapters.map((c) => c.title)).toEqual(
    expect.arrayContaining(['Open points', 'Schedules', 'Departures', 'Tests', 'Log', 'Service']),
  );
  expect(JSON.stringify(chapterOf(pack, 'Tests'))).toContain('12.7 ');
  expect(JSON.stringify(chapterOf(pack, 'Log'))).toContain('new belt');
  const schedule = JSON.stringify(chapterOf(pack, 'Schedules'));
  expect(boat.circuits.filter((c) => !schedule.includes(JSON.stringify(c.name).slice(1, -1)))).toEqual([]);
});

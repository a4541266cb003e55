/** Ways out on a whole boat: of an AC run, and of where a source stands. */
import { analyse, remediesOf, searchable } from '@/core/analysis';
import { applyEdit, type Design, type Finding } from '@/core/design';
import { marram } from './marram';

const demo = marram();
const after = (design: Design, ops: Parameters<typeof applyEdit>[1]['ops']): Design => {
  const edited = applyEdit(design, { ops });
  if (!edited.ok) throw new Error('the edits do not apply');
  return edited.design;
};
const says = (design: Design, pick: (f: Finding) => boolean): readonly string[] => {
  const all = analyse(design).findings;
  const finding = all.find(pick);
  if (!finding) throw new Error(`not there: ${all.map((f) => f.id).join(' ')}`);
  expect(searchable(all)).toContain(finding.id);
  const remedies = remediesOf(design, finding);
  for (const r of remedies) {
    const left = analyse(after(design, [...r.ops])).findings;
    expect(left.some((f) => f.id === finding.id && f.severity === finding.severity)).toBe(false);
    expect(left.filter((f) => f.severity === 'stop' && !all.some((x) => x.id === f.id))).toEqual([]);
  }
  return remedies.map((r) => r.say);
};

test('an AC run pinned too thin: left to the program, or heavier, weighed', () => {
  const run = demo.acCircuits.find((c) => c.to === null && c.loadIds.length > 0);
  const size = { school: 'metric' as const, size: '1' };
  const thinRun: Design = { ...demo, acCircuits: demo.acCircuits.map((c) => (c === run ? { ...c, size } : c)) };
  const it = (f: Finding) => f.rule === 'ac-behind-breaker' && f.about.id === run?.id;
  expect(says(thinRun, it)).toContain('size and breaker left to the program');
  const [cheapest] = remediesOf(thinRun, analyse(thinRun).findings.find(it) as Finding);
  expect(cheapest?.kg).toBeCloseTo(cheapest?.changes.reduce((sum, c) => sum + c.kg, 0) ?? NaN, 9);
  expect(cheapest?.kg).toBeGreaterThan(0);
});

test('a charger where petrol vapour is possible: the nearest place without', () => {
  const places = demo.places.map((p) => (p.id === demo.places[0]?.id ? { ...p, vapour: true } : { ...p, vapour: false }));
  const charger = demo.sources.find((s) => s.kind !== 'alternator' && s.kind !== 'wind');
  const inVapour: Design = {
    ...demo,
    places,
    sources: demo.sources.map((s) => (s === charger ? { ...s, placeId: demo.places[0]?.id ?? null } : s)),
  };
  expect(says(inVapour, (f) => f.rule === 'vapour-source').some((s) => s.startsWith('moved to '))).toBe(true);
});

import { analyse } from '../analysis';
import { asOption, type Design, type BatteryCable, readDesign } from '../design';
import { proposeMainSide } from '../propose';
import { bareBoat, withLoad } from '../design/testing';
import { batteryCableWorking } from './batteryCable';

let n = 0;
const base = withLoad(bareBoat('metric'), { name: 'Windlass', behaviour: 'current', ratingBy: 'A', rating: 80, group: 'heavy' }, 6);
const design: Design = { ...base, ...proposeMainSide(base, (p) => `${p}${++n}`) };
const changed = (to: Partial<BatteryCable>): Design => ({
  ...design,
  leads: design.leads.map((l) => (l.name === 'House bank negative' ? { ...l, ...to } : l)),
});
const workingOf = (d: Design, name = 'House bank negative') => {
  const lead = d.leads.find((l) => l.name === name);
  const working = lead && batteryCableWorking(d, analyse(d), lead.id, d.boat);
  if (!working) throw new Error(name);
  return working;
};
const lines = (d: Design, name?: string) => workingOf(d, name).sections.flatMap((s) => s.lines);

test('a lead’s working: what it carries and why, each test with what it asks for, the choice with its ohms and volts', () => {
  const analysis = analyse(design);
  const r = analysis.leads[design.leads.findIndex((l) => l.name === 'House bank negative')];
  const own = lines(design);
  expect(own.find((l) => l.label === 'from, to')?.text).toBe('House bank − to Negative bus');
  expect(own.find((l) => /all that is wired from House bank/.test(l.label))?.value).toBeCloseTo(r?.carries.amps ?? NaN, 9);
  for (const rung of r?.rungs ?? []) expect(own.some((l) => l.label === rung.by && l.source === rung.why)).toBe(true);
  expect(own.find((l) => l.label === 'length')).toMatchObject({ mark: 'estimated' });
  expect(own.find((l) => l.label === 'what is in line')).toMatchObject({ text: '0.1 mΩ', mark: 'typical' });
  expect(own.find((l) => l.label === 'loses')?.value).toBeCloseTo(
    (r?.carries.amps ?? NaN) * ((r?.copperOhm ?? NaN) + (r?.inlineOhm ?? NaN)),
    9,
  );
});

test('a pin says so, and the tests it fails break; a taped length is measured', () => {
  const own = lines(changed({ size: { school: 'metric', size: '1.5' }, lengthM: 0.9 }));
  expect(own.some((l) => l.label === 'size, pinned')).toBe(true);
  expect(own.filter((l) => l.breaks).map((l) => l.label)).toContain('protection');
  expect(own.find((l) => l.label === 'length')).toMatchObject({ text: '0.9 m', mark: 'measured' });
});

test('a lead that is not there has no working', () =>
  expect(batteryCableWorking(design, analyse(design), 'none', design.boat)).toBeUndefined());

describe('in a file', () => {
  test('bars, leads, ways along the hull and what is shut first come back as they went out', () => {
    const full: Design = {
      ...changed({ lengthM: 1.25, note: 'as found', through: [] }),
      circuits: design.circuits.map((c) => ({ ...c, along: 'port side' as const })),
      loads: design.loads.map((l) => ({ ...l, shutFirst: true })),
    };
    const read = readDesign(JSON.parse(JSON.stringify(full)));
    expect(read.ok && read.design).toEqual(full);
  });
  test('a file from before has none, and runs straight', () => {
    const { bars: _b, leads: _l, ...older } = JSON.parse(JSON.stringify(design)) as Record<string, unknown>;
    const circuits = (older.circuits as Record<string, unknown>[]).map(({ along: _a, ...c }) => c);
    const read = readDesign({ ...older, circuits });
    expect(read.ok && [read.design.bars, read.design.leads, read.design.circuits[0]?.along]).toEqual([[], [], 'straight']);
  });
  test.each([
    ['a rail', { rail: 'sideways' }, /positive, negative, earth/],
    ['a length', { lengthM: -1 }, /at least 0.05/],
    ['a stud', { fromStud: 'M99' }, /M8/],
    ['a size', { size: { school: 'metric', size: '7' } }, /no such size/],
  ])('%s that cannot be is refused with its place', (_, wrong, message) => {
    const bad = JSON.parse(JSON.stringify(changed(wrong as never))) as unknown;
    const read = readDesign(bad);
    expect(read.ok).toBe(false);
    const problem = read.ok ? undefined : read.problems[0];
    expect(problem?.where).toMatch(/^leads, row 1 \(House bank negative\)/);
    expect(problem?.message).toMatch(message);
  });
  test('an id that stands twice is refused; an end on something that is gone is read, and found', () => {
    const [one] = design.leads;
    if (!one) throw new Error('no lead');
    const twice = readDesign(JSON.parse(JSON.stringify({ ...design, leads: [...design.leads, one] })));
    expect(twice.ok ? '' : twice.problems[0]?.message).toMatch(/is there twice/);
    const lost = readDesign(JSON.parse(JSON.stringify(changed({ to: { kind: 'bar', id: 'gone' } }))));
    expect(lost.ok && analyse(lost.design).findings.some((f) => f.id === `dangling:${one.id}`)).toBe(true);
  });
});

test('each option has a main side of its own', () => {
  const { banks, sources, joins, panels, circuits } = design;
  const other = {
    id: 'b',
    name: 'B',
    note: '',
    parts: { banks, sources, joins, panels, circuits, bars: [], leads: [], smallLeads: [], acSources: [], acPanels: [], acCircuits: [] },
  };
  const both: Design = { ...design, options: [{ id: 'a', name: 'A', note: '', parts: null }, other] };
  expect(asOption(both, other).leads).toEqual([]);
  expect(asOption(both, both.options[0] ?? other).leads).toEqual(design.leads);
});
